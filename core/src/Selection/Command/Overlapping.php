<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionSpec;

/** Notes that overlap another of their pitch. */
final class Overlapping extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select overlapping notes');
    }

    protected static function filter(): array
    {
        return ['overlapping' => true];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionSpec;

/** Notes on the beat. */
final class OnBeat extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes on the beat', ofPoints: 'Select the points on the beat');
    }

    protected static function filter(): array
    {
        return ['onBeat' => true];
    }
}

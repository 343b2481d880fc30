<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionSpec;

/** Notes off the beat. */
final class OffBeat extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes off the beat', ofPoints: 'Select the points off the beat');
    }

    protected static function filter(): array
    {
        return ['onBeat' => false];
    }
}

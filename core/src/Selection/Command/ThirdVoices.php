<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionSpec;

/** The third notes of chords, counted from below. */
final class ThirdVoices extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the third notes of chords from below', Scope::AmongSelection);
    }

    protected static function filter(): array
    {
        return ['inChord' => 3];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionSpec;

/** The fourth notes of chords, counted from below. */
final class FourthVoices extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the fourth notes of chords from below', Scope::AmongSelection);
    }

    protected static function filter(): array
    {
        return ['inChord' => 4];
    }
}

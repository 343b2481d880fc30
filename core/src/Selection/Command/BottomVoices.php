<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionSpec;

/** The bottom notes of chords. */
final class BottomVoices extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the bottom notes of chords', Scope::AmongSelection, ['bass note', 'root']);
    }

    protected static function filter(): array
    {
        return ['inChord' => 'bottom'];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionSpec;

/** The top notes of chords. */
final class TopVoices extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the top notes of chords', Scope::AmongSelection, ['melody', 'top note', 'lead']);
    }

    protected static function filter(): array
    {
        return ['inChord' => 'top'];
    }
}

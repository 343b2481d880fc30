<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionSpec;

/** All but the top notes of chords. */
final class LowerVoices extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the lower voices, all but the top', Scope::AmongSelection);
    }

    protected static function filter(): array
    {
        return ['not' => ['inChord' => 'top']];
    }
}

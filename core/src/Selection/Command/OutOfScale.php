<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionSpec;

/** Notes outside the scale; drums have none. */
final class OutOfScale extends ByFilter
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes outside the scale', words: ['wrong notes', 'accidentals']);
    }

    protected static function filter(): array
    {
        return ['outOfScale' => true];
    }
}

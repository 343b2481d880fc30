<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The selected notes, and those beside them in their chords, above. */
final class GrowHigher implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Add the next higher note of the chord', Scope::Walk, atEnd: 'The chord has no higher note.');
    }

    public static function select(SelectionInput $input): array
    {
        return [...$input->ids, ...array_diff(Higher::select($input), $input->ids)];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The selected notes, and those beside them, earlier. */
final class GrowPrevious implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Add the previous note to the selection', Scope::Walk, atEnd: 'There is no earlier note.', ofPoints: 'Add the previous point to the selection');
    }

    public static function select(SelectionInput $input): array
    {
        return [...$input->ids, ...array_diff(Previous::select($input), $input->ids)];
    }
}

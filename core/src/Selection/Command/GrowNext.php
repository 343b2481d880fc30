<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The selected notes, and those beside them, later. */
final class GrowNext implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Add the next note to the selection', Scope::Walk, atEnd: 'There is no later note.', ofPoints: 'Add the next point to the selection');
    }

    public static function select(SelectionInput $input): array
    {
        return [...$input->ids, ...array_diff(Next::select($input), $input->ids)];
    }
}

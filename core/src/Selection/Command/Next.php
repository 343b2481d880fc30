<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;
use Jactonic\Core\Selection\Walk;

/** The notes beside the selected ones, later. */
final class Next implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Go to the next note', Scope::Walk, atEnd: 'There is no later note.', ofPoints: 'Go to the next point');
    }

    public static function select(SelectionInput $input): array
    {
        return Walk::beside($input->notes, $input->selected, $input->near, $input->row, 1, $input->time(), $input->gather);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Groups;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The groups of the selected notes; with none selected, of the chord at the caret. */
final class Group implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the whole group', Scope::FromSelection);
    }

    public static function select(SelectionInput $input): array
    {
        return $input->ids === [] ? Groups::with($input->part, $input->chordAtCaret()) : $input->ids;
    }
}

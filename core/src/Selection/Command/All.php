<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** All notes of the part. */
final class All implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select all notes', ofPoints: 'Select all points');
    }

    public static function select(SelectionInput $input): array
    {
        return SelectionInput::ids($input->notes);
    }
}

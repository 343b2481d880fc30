<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The notes below the row of the caret; none where that is not known. */
final class BelowRow implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes below the caret', words: ['lower', 'low', 'under']);
    }

    public static function select(SelectionInput $input): array
    {
        $row = $input->row;

        return $input->where(static fn (Note $n): bool => $row !== null && $n->pitch < $row);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The notes that are not selected. */
final class Inverse implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Invert selection', words: ['invert', 'the others', 'inverse', 'rest'], isSingle: true, ofPoints: 'Invert selection');
    }

    public static function select(SelectionInput $input): array
    {
        return $input->where(static fn (Note $n): bool => ! $input->isSelected($n));
    }
}

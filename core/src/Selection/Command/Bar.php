<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The notes that start in the bars of the selected ones; with none selected, in the bar of the caret. */
final class Bar implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the whole bar', Scope::FromSelection, ofPoints: 'Select the points of the whole bar');
    }

    public static function select(SelectionInput $input): array
    {
        $meters = $input->time()->meters;
        $bars = $input->ids === [] ? [$meters->barAt($input->near)->index => true] : [];
        foreach ($input->notes as $note) {
            if ($input->isSelected($note)) {
                $bars[$meters->barAt($note->start)->index] = true;
            }
        }

        return $input->where(static fn (Note $n): bool => isset($bars[$meters->barAt($n->start)->index]));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The rows of the selected notes; with none selected, the one row that is looked at. */
final class Row implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the whole row', Scope::FromSelection, ['row', 'same note'], ofPoints: 'Select the points of the same value');
    }

    public static function select(SelectionInput $input): array
    {
        $pitches = $input->ids === [] && $input->row !== null ? [$input->row => true] : [];
        foreach ($input->notes as $note) {
            if ($input->isSelected($note)) {
                $pitches[$note->pitch] = true;
            }
        }

        return $input->where(static fn (Note $n): bool => isset($pitches[$n->pitch]));
    }
}

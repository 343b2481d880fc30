<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The whole chords of the selected notes; with none selected, the chord at the caret. */
final class Chord implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the whole chord', Scope::FromSelection);
    }

    public static function select(SelectionInput $input): array
    {
        if ($input->ids === []) {
            return $input->chordAtCaret();
        }
        $chords = array_filter($input->chords(), static fn (array $chord): bool => array_filter($chord, $input->isSelected(...)) !== []);

        return SelectionInput::ids(array_merge(...array_values($chords)));
    }
}

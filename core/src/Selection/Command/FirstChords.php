<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;
use Jactonic\Core\Time\Grid;

/** The first chord of each bar. */
final class FirstChords implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the first chord of each bar', Scope::AmongSelection, ofPoints: 'Select the first point of each bar');
    }

    public static function select(SelectionInput $input): array
    {
        return Chords::firstOfEach($input->among(), $input->time()->lines(Grid::parse('bar')), $input->time(), $input->gather);
    }
}

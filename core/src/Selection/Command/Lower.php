<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;
use Jactonic\Core\Selection\Walk;

/** Each selected note gives way to its neighbour below in the same chord; the outermost stays. */
final class Lower implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Go to the next lower note of the chord', Scope::Walk, isSingle: true, atEnd: 'The chord has no lower note.');
    }

    public static function select(SelectionInput $input): array
    {
        return Walk::within($input->chords(), $input->ids, -1);
    }
}

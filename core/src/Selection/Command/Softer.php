<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Alike;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** Notes softer than the softest selected; with none selected, than the middle of all. */
final class Softer implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the softer notes', Scope::FromSelection, ofPoints: 'Select the lower points');
    }

    public static function select(SelectionInput $input): array
    {
        return Alike::loudness($input->part, $input->selected, -1);
    }
}

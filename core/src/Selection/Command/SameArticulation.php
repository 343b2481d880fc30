<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Alike;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** Notes of the same articulation; none is one too. */
final class SameArticulation implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes of the same articulation', Scope::FromSelection);
    }

    public static function select(SelectionInput $input): array
    {
        return Alike::articulation($input->part, $input->selected, $input->near);
    }
}

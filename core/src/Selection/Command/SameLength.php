<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Alike;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** Notes as long. */
final class SameLength implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes of the same length', Scope::FromSelection);
    }

    public static function select(SelectionInput $input): array
    {
        return Alike::length($input->part, $input->selected, $input->near);
    }
}

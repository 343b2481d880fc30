<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The first chord of each run of one chord. */
final class Changes implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the first chord of each change', Scope::AmongSelection);
    }

    public static function select(SelectionInput $input): array
    {
        return Chords::changes($input->among(), $input->time(), $input->part);
    }
}

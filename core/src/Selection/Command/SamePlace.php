<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Alike;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** Notes at the same place in their bar. */
final class SamePlace implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes at the same place in the bar', Scope::FromSelection, ofPoints: 'Select the points at the same place in the bar');
    }

    public static function select(SelectionInput $input): array
    {
        return Alike::place($input->part, $input->selected, $input->near, $input->time());
    }
}

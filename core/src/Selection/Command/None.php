<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** No note. */
final class None implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Deselect', isSingle: true, ofPoints: 'Deselect');
    }

    public static function select(SelectionInput $input): array
    {
        return [];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** Every second note, from the first. */
final class EverySecond implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select every second note', Scope::AmongSelection, ['every other', 'alternate'], ofPoints: 'Select every second point');
    }

    public static function select(SelectionInput $input): array
    {
        return SelectionInput::ids(array_filter($input->among(), static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY));
    }
}

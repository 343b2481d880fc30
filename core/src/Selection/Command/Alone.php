<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\Alike;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The one of them that is nearest to the caret, without its group. */
final class Alone implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select one note alone, without its group', Scope::Walk, isSingle: true);
    }

    public static function select(SelectionInput $input): array
    {
        return Alike::nearest($input->among(), $input->near, $input->row);
    }
}

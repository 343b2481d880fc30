<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;

/** Selects the notes that a filter finds. */
abstract class ByFilter implements SelectionCommand
{
    /** @return array<string, mixed> as NoteFilter::parse takes it */
    abstract protected static function filter(): array;

    public static function select(SelectionInput $input): array
    {
        $found = NoteFilter::parse(static::filter())->of($input->part, $input->time(), $input->score->scale);

        return $input->ids === [] || static::spec()->scope !== Scope::AmongSelection ? $found : array_values(array_intersect($found, $input->ids));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Command;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\SelectionCommand;
use Jactonic\Core\Selection\SelectionInput;
use Jactonic\Core\Selection\SelectionSpec;

/** The notes that start before the span or after it. */
final class OutsideSpan implements SelectionCommand
{
    public static function spec(): SelectionSpec
    {
        return new SelectionSpec('Select the notes outside the span', needsSpan: true, ofPoints: 'Select the points outside the span');
    }

    public static function select(SelectionInput $input): array
    {
        $span = $input->span;

        return $input->where(static fn (Note $n): bool => $span !== null && ($n->start < $span[0] || $n->start >= $span[1]));
    }
}

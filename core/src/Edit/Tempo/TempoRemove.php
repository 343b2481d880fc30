<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** Takes away the tempo that begins at a tick: the one before it goes on. */
final class TempoRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-remove', 'Remove a tempo change', Family::Song, 'Removes a tempo; the one before it continues.', [
            Param::place('at', 'The one that begins at'),
        ], Requires::Song, ['bpm', 'delete'], [['at' => 6000]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = TimelineEdit::tempos($input);
        $tick = $input->params->integer('at');
        $row = $rows[TimelineEdit::at($rows, $tick, 'tempo', $input)];

        return TimelineEdit::outcome($input, array_values(array_filter($rows, static fn (array $r): bool => $r[0] !== $tick)), null,
            sprintf('Tempo %s at %s is removed.', TimelineEdit::words($row[1]), $input->time()->position($tick)));
    }
}

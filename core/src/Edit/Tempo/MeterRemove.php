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

/** Takes away the meter that begins at a tick: the one before it goes on. */
final class MeterRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('meter-remove', 'Remove a meter change', Family::Song, 'Removes a meter; the one before it continues.', [
            Param::place('at', 'The one that begins at'),
        ], Requires::Song, ['time signature', 'delete'], [['at' => 7680]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = $input->time()->meterRows;
        $tick = $input->params->integer('at');
        $row = $rows[TimelineEdit::at($rows, $tick, 'meter', $input)];

        return TimelineEdit::outcome($input, null, array_values(array_filter($rows, static fn (array $r): bool => $r[0] !== $tick)),
            sprintf('Meter %d/%d at %s is removed.', $row[1], $row[2], $input->time()->position($tick)));
    }
}

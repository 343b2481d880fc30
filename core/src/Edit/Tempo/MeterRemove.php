<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Marks;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Takes away the meter that begins at a tick: the one before it goes on. */
final class MeterRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('meter-remove', 'Remove a meter change', Family::Song, 'Takes a meter away; the one before it goes on.', [
            Param::place('at', 'The one that begins at'),
        ], Needs::Song, ['time signature', 'delete'], [['at' => 7680]], panel: 'tempo');
    }

    public function apply(Work $work): Outcome
    {
        $rows = $work->time()->meterRows;
        $tick = $work->params->integer('at');
        $row = $rows[Marks::at($rows, $tick, 'meter', $work)];

        return Marks::outcome($work, null, array_values(array_filter($rows, static fn (array $r): bool => $r[0] !== $tick)),
            sprintf('Meter %d/%d at %s is gone.', $row[1], $row[2], $work->time()->position($tick)));
    }
}

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

/** Takes away the tempo that begins at a tick: the one before it goes on. */
final class TempoRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-remove', 'Remove a tempo change', Family::Song, 'Takes a tempo away; the one before it goes on.', [
            Param::place('at', 'The one that begins at'),
        ], Needs::Song, ['bpm', 'delete'], [['at' => 6000]], panel: 'tempo');
    }

    public function apply(Work $work): Outcome
    {
        $rows = Marks::tempos($work);
        $tick = $work->params->integer('at');
        $row = $rows[Marks::at($rows, $tick, 'tempo', $work)];

        return Marks::outcome($work, array_values(array_filter($rows, static fn (array $r): bool => $r[0] !== $tick)), null,
            sprintf('Tempo %s at %s is gone.', Marks::words($row[1]), $work->time()->position($tick)));
    }
}

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

/** Moves the tempo that begins at a tick to a bar; one that began there gives way to it. */
final class TempoMove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-move', 'Move a tempo change', Family::Song, 'Lets a tempo begin at another bar.', [
            Param::place('at', 'The one that begins at'),
            Param::integer('bar', 'To bar', 1, Marks::MOST_BARS),
        ], Needs::Song, ['bpm'], [['at' => 6000, 'bar' => 4]], panel: 'tempo');
    }

    public function apply(Work $work): Outcome
    {
        $rows = Marks::tempos($work);
        $row = $rows[Marks::at($rows, $work->params->integer('at'), 'tempo', $work)];
        $tick = Marks::bar($work, $work->params->integer('bar'));
        $rows = array_values(array_filter($rows, static fn (array $r): bool => $r !== $row && $r[0] !== $tick));
        $rows[] = [$tick, $row[1], $row[2], $row[3]];

        return Marks::outcome($work, $rows, null, sprintf('Tempo %s moved to bar %d.', Marks::words($row[1]), $work->params->integer('bar')));
    }
}

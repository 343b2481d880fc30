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

/**
 * Sets the tempo. With `bar`, from that bar on: the tempo that begins there is set, or a new one begins. Without it,
 * the tempo that holds at `at` is set, wherever it began.
 */
final class TempoSet implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-set', 'Set the tempo', Family::Song, 'Sets the tempo that holds at a place, or lets one begin at a bar.', [
            Param::number('tempo', 'Tempo', Marks::SLOWEST, Marks::FASTEST, unit: 'quarters a minute'),
            Param::place('at', 'The one that holds at', default: 0),
            Param::integer('bar', 'From bar', 1, Marks::MOST_BARS, optional: true),
        ], Needs::Song, ['bpm', 'speed', 'faster', 'slower'], [['tempo' => 91.5], ['tempo' => 140, 'bar' => 3], ['tempo' => 60, 'at' => 7000]], panel: 'tempo');
    }

    public function apply(Work $work): Outcome
    {
        $rows = Marks::tempos($work);
        $micro = Marks::micro($work->params->number('tempo'));
        $tick = $work->params->has('bar') ? Marks::bar($work, $work->params->integer('bar')) : $work->params->integer('at');
        $held = Marks::holding($rows, $tick);
        if ($held !== null && (! $work->params->has('bar') || $rows[$held][0] === $tick)) {
            [$tick, , $track, $order] = $rows[$held];
            $rows[$held] = [$tick, $micro, $track, $order];
        } else {
            $tick = $work->params->has('bar') ? $tick : 0;
            $rows[] = [$tick, $micro, 0, 0];
        }

        return Marks::outcome($work, $rows, null, sprintf('Tempo %s from %s.', Marks::words($micro), $work->time()->position($tick)));
    }
}

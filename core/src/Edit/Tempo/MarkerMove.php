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
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;

/** Moves the marker that stands at a place to another; one that stands there gives way. */
final class MarkerMove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('marker-move', 'Move a marker', Family::Song, 'Moves a marker to another place.', [
            Param::place('at', 'The one at'),
            Param::place('to', 'To', default: new Word('caret')),
        ], Needs::Song, ['cue', 'scene', 'section'], [['at' => 1920, 'to' => 3840]], [], ['song', 'roll'], panel: '');
    }

    public function apply(Work $work): Outcome
    {
        [$at, $to] = [$work->params->integer('at'), $work->params->integer('to')];
        $rows = $work->time()->markerRows;
        $row = Marks::marker($rows, $at) ?? throw new Refusal("No marker stands at {$work->time()->position($at)}: nothing was changed.", 'at');
        $moved = $rows[$row];
        unset($rows[$row]);
        $rows = array_filter($rows, static fn (array $r): bool => $r[0] !== $to);
        $rows[] = [$to, $moved[1], $moved[2], $moved[3]];

        return Marks::outcome($work, null, null, sprintf('Marker “%s” moved to %s.', Marks::name($moved), $work->time()->position($to)), markers: array_values($rows));
    }
}

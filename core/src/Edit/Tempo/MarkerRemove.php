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

/** Takes away the marker that stands at a place. */
final class MarkerRemove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('marker-remove', 'Remove a marker', Family::Song, 'Takes a marker away.', [
            Param::place('at', 'The one at', default: new Word('caret')),
        ], Needs::Song, ['cue', 'scene', 'section', 'delete'], [['at' => 1920]], [], ['song', 'roll']);
    }

    public function apply(Work $work): Outcome
    {
        $at = $work->params->integer('at');
        $rows = $work->time()->markerRows;
        $row = Marks::marker($rows, $at) ?? throw new Refusal("No marker stands at {$work->time()->position($at)}: nothing was changed.", 'at');
        $gone = $rows[$row];
        unset($rows[$row]);

        return Marks::outcome($work, null, null, sprintf('Marker “%s” is gone.', Marks::name($gone)), markers: array_values($rows));
    }
}

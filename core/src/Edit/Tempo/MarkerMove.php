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
        ], Requires::Song, ['cue', 'scene', 'section'], [['at' => 1920, 'to' => 3840]], [], ['song', 'roll'], panel: '');
    }

    public function apply(EditInput $input): Outcome
    {
        [$at, $to] = [$input->params->integer('at'), $input->params->integer('to')];
        $rows = $input->time()->markerRows;
        $row = TimelineEdit::marker($rows, $at) ?? throw new Refusal("No marker stands at {$input->time()->position($at)}: nothing was changed.", 'at');
        $moved = $rows[$row];
        unset($rows[$row]);
        $rows = array_filter($rows, static fn (array $r): bool => $r[0] !== $to);
        $rows[] = [$to, $moved[1], $moved[2], $moved[3]];

        return TimelineEdit::outcome($input, null, null, sprintf('Marker “%s” moved to %s.', TimelineEdit::name($moved), $input->time()->position($to)), markers: array_values($rows));
    }
}

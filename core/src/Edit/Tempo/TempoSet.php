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

/**
 * Sets the tempo. With `bar`, from that bar on: the tempo that begins there is set, or a new one begins. Without it,
 * the tempo that holds at `at` is set, wherever it began.
 */
final class TempoSet implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-set', 'Set the tempo', Family::Song, 'Sets the tempo at a place, or adds a change at a bar.', [
            Param::number('tempo', 'Tempo', TimelineEdit::SLOWEST, TimelineEdit::FASTEST, unit: 'BPM'),
            Param::place('at', 'The one at', default: 0),
            Param::integer('bar', 'From bar', 1, TimelineEdit::MOST_BARS, optional: true),
        ], Requires::Song, ['bpm', 'speed', 'faster', 'slower'], [['tempo' => 91.5], ['tempo' => 140, 'bar' => 3], ['tempo' => 60, 'at' => 7000]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = TimelineEdit::tempos($input);
        $micro = TimelineEdit::micro($input->params->number('tempo'));
        $tick = $input->params->has('bar') ? TimelineEdit::bar($input, $input->params->integer('bar')) : $input->params->integer('at');
        $held = TimelineEdit::holding($rows, $tick);
        if ($held !== null && (! $input->params->has('bar') || $rows[$held][0] === $tick)) {
            [$tick, , $track, $order] = $rows[$held];
            $rows[$held] = [$tick, $micro, $track, $order];
        } else {
            $tick = $input->params->has('bar') ? $tick : 0;
            $rows[] = [$tick, $micro, 0, 0];
        }

        return TimelineEdit::outcome($input, $rows, null, sprintf('Tempo %s from %s.', TimelineEdit::words($micro), $input->time()->position($tick)));
    }
}

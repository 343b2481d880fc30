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
use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Meter;
use Jactonic\Core\Time\MeterMap;

/**
 * Sets the meter. With `bar`, from that bar on: the meter that begins there is set, or a new one begins. Without it,
 * the meter that holds at `at` is set, wherever it began. Meters after it stay at their ticks, and a bar that one of them
 * cuts is shorter; or they move on to the next bar line.
 */
final class MeterSet implements Edit
{
    private const UNITS = [1, 2, 4, 8, 16, 32, 64];

    public static function spec(): Spec
    {
        return new Spec('meter-set', 'Set the meter', Family::Song, 'Sets the meter at a place, or adds a change at a bar.', [
            Param::integer('beats', 'Beats', 1, 64),
            Param::choice('unit', 'Unit', array_map(strval(...), self::UNITS), '4'),
            Param::place('at', 'The one at', default: 0),
            Param::integer('bar', 'From bar', 1, TimelineEdit::MOST_BARS, optional: true),
            Param::choice('later', 'Later changes', ['keep' => 'stay where they are', 'move' => 'move to bar lines'], 'keep'),
        ], Requires::Song, ['time signature', 'bar', 'beats'], [['beats' => 3], ['beats' => 6, 'unit' => '8', 'bar' => 2], ['beats' => 5, 'at' => 9000]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = $input->time()->meterRows;
        [$beats, $unit] = [$input->params->integer('beats'), (int) $input->params->choice('unit')];
        $tick = $input->params->has('bar') ? TimelineEdit::bar($input, $input->params->integer('bar')) : $input->params->integer('at');
        $held = TimelineEdit::holding($rows, $tick);
        if ($held !== null && (! $input->params->has('bar') || $rows[$held][0] === $tick)) {
            [$tick, , , $clocks, $thirtySeconds, $track, $order] = $rows[$held];
            $rows[$held] = [$tick, $beats, $unit, $clocks, $thirtySeconds, $track, $order];
        } else {
            $tick = $input->params->has('bar') ? $tick : 0;
            $rows[] = [$tick, $beats, $unit, 24, 8, 0, 0];
        }
        if (4 * $input->time()->ppq * $beats < $unit) {
            throw Refusal::parameter('beats', $beats, 'more beats: a bar would be shorter than a tick');
        }

        $said = sprintf('Meter %d/%d from %s.', $beats, $unit, $input->time()->position($tick));
        if ($input->params->choice('later') === 'move') {
            [$rows, $moved] = self::onLines($rows, $tick, $input->time()->ppq);
            $said .= $moved === 0 ? '' : ($moved === 1 ? ' 1 later change' : " $moved later changes").' moved to the next bar line.';
        }

        return TimelineEdit::outcome($input, null, $rows, $said);
    }

    /**
     * Changes after a tick, each at the next bar line where it would cut a bar.
     *
     * @param  list<array{int, int, int, int, int, int, int}>  $rows
     * @return array{list<array{int, int, int, int, int, int, int}>, int} and how many moved
     */
    private static function onLines(array $rows, int $tick, int $ppq): array
    {
        usort($rows, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $before = [];
        $moved = 0;
        foreach ($rows as $i => $row) {
            if ($row[0] > $tick) {
                $bar = (new MeterMap($ppq, $before))->barAt($row[0]);
                $rows[$i][0] = $bar->start === $row[0] ? $row[0] : $bar->end();
                $moved += $rows[$i][0] === $row[0] ? 0 : 1;
            }
            $before[] = new Meter($rows[$i][0], $row[1], $row[2]);
        }

        return [$rows, $moved];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\HeadChange;
use Jactonic\Core\Change\PartChange;
use Jactonic\Core\Change\RowsChange;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;

/**
 * A part grows to the bar line where a note or a point is put outside its window. What lay outside before stays there, and
 * a part that is made has the window that it is made with: a copy hides what its original hides. A point at the very end of the window says what holds after it, and makes it no longer.
 */
final class WindowGrowth
{
    /**
     * @return array{Change, string} the change with the windows that follow it, and what to say of them
     */
    public static function of(Change $change, Score $score): array
    {
        $said = [];
        $parts = $change->parts;
        foreach ($parts as $id => $changed) {
            $was = $score->parts[$id]->head ?? null;
            $head = $changed->head === null ? $was : $changed->head->after;
            if ($head === null || $was === null || ($head->from === 0 && $head->to === PartHead::OPEN)) {
                continue;
            }
            [$from, $to] = [$head->from, $head->to];
            $notes = ! $changed->notes->isEmpty() && ! $changed->leaves('start', 'length') && ! self::fits($changed->notes, $head);
            $points = ! $changed->points->isEmpty() && ! $changed->points->leaves('tick');
            foreach ([...($notes ? self::stretches($changed->notes) : []), ...($points ? self::places($changed->points) : [])] as [$start, $end, $startBefore, $endBefore]) {
                if ($start < $from && ($startBefore === null || $startBefore >= $was->from)) {
                    $from = $score->time->meters->barAt($start)->start;
                }
                if ($end > $to && ($endBefore === null || $endBefore <= $was->to)) {
                    $to = $score->time->meters->barAt($end - 1)->end();
                }
            }
            if ($from === $head->from && $to === $head->to) {
                continue;
            }
            $parts[$id] = new PartChange($changed->notes, $changed->points, new HeadChange($changed->head === null ? $was : $changed->head->before, $head->withWindow($from, $to), $changed->head?->settings));
            $bars = static fn (int $tick): int => $score->time->meters->barAt($tick)->index + 1;
            $said[] = match (true) {
                $from === $head->from => sprintf('“%s” now reaches to the end of bar %d.', $head->name, $bars($to - 1)),
                $to === $head->to => sprintf('“%s” now begins at bar %d.', $head->name, $bars($from)),
                default => sprintf('“%s” now reaches from bar %d to the end of bar %d.', $head->name, $bars($from), $bars($to - 1)),
            };
        }

        return [$said === [] ? $change : new Change($parts, $change->time, $change->tracks, $change->song), implode(' ', $said)];
    }

    /**
     * Whether all that come, or stay otherwise, lie in a window.
     *
     * @param  RowsChange<Note>  $notes
     */
    private static function fits(RowsChange $notes, PartHead $head): bool
    {
        [, $starts] = $notes->integers('start');
        [, $lengths] = $notes->integers('length');
        foreach ($starts as $i => $start) {
            if ($start < $head->from || $start + $lengths[$i] > $head->to) {
                return false;
            }
        }

        return $notes->coming() === [];
    }

    /**
     * Where the notes of a change come to lie, and where they lay.
     *
     * @param  RowsChange<Note>  $notes
     * @return iterable<array{int, int, int|null, int|null}> start and end after it, and before it, null for one that comes
     */
    private static function stretches(RowsChange $notes): iterable
    {
        $starts = $notes->integers('start');
        $lengths = $notes->integers('length');
        foreach ($starts[1] as $i => $start) {
            yield [$start, $start + $lengths[1][$i], $starts[0][$i], $starts[0][$i] + $lengths[0][$i]];
        }
        foreach ($notes->coming() as $note) {
            yield [$note->start, $note->end(), null, null];
        }
    }

    /**
     * Likewise for points.
     *
     * @param  RowsChange<Point>  $points
     * @return iterable<array{int, int, int|null, int|null}>
     */
    private static function places(RowsChange $points): iterable
    {
        $ticks = $points->integers('tick');
        foreach ($ticks[1] as $i => $tick) {
            yield [$tick, $tick, $ticks[0][$i], $ticks[0][$i]];
        }
        foreach ($points->coming() as $point) {
            yield [$point->tick, $point->tick, null, null];
        }
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\HeadChange;
use Jactonic\Core\Change\PartChange;
use Jactonic\Core\Change\RowsChange;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;

/**
 * A part reaches as far as what an edit puts in it. It grows to the bar line where a note or a point is put outside its
 * window, and goes back toward the window that it was given where an edit leaves nothing there. What lay outside before
 * stays there, and a part that is made has the window that it is made with: a copy hides what its original hides. A
 * point at the very end of the window says what holds after it, and makes it no longer; nor does a tail of less than half a
 * sixteenth.
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
            [$from, $to] = self::grown($changed, $was, $head, $score);
            if ($head->given !== null && ! ($changed->notes->leaves('start', 'length') && $changed->points->leaves('tick'))) {
                [$from, $to] = self::needed($changed->applyTo($score->parts[$id], $id), $head->given, $from, $to, $score);
            }
            if ($from === $head->from && $to === $head->to) {
                continue;
            }
            $parts[$id] = new PartChange($changed->notes, $changed->points, new HeadChange($changed->head === null ? $was : $changed->head->before, $head->grown($from, $to), $changed->head?->settings));
            $said[] = self::said($head, $from, $to, $score);
        }

        return [$said === [] ? $change : new Change($parts, $change->time, $change->tracks, $change->song), implode(' ', $said)];
    }

    /** @return array{int, int} the window with what an edit put outside it */
    private static function grown(PartChange $changed, PartHead $was, PartHead $head, Score $score): array
    {
        [$from, $to] = [$head->from, $head->to];
        $tail = self::tail($score);
        $notes = ! $changed->notes->isEmpty() && ! $changed->leaves('start', 'length') && ! self::fits($changed->notes, $head);
        $points = ! $changed->points->isEmpty() && ! $changed->points->leaves('tick');
        foreach ([...($notes ? self::stretches($changed->notes) : []), ...($points ? self::places($changed->points) : [])] as [$start, $end, $startBefore, $endBefore]) {
            if ($start < $from && ($startBefore === null || $startBefore >= $was->from)) {
                $from = $score->time->meters->barAt($start)->start;
            }
            if (self::isBeyond($start, $end, $to, $tail) && ($startBefore === null || ! self::isBeyond($startBefore, (int) $endBefore, $was->to, $tail))) {
                $to = $score->time->meters->barAt($end - 1)->end();
            }
        }

        return [$from, $to];
    }

    /**
     * What is left of a window that edits made longer: what it was given, and the bars of what lies beyond that.
     *
     * @param  Part  $part  after the edit
     * @param  array{int, int}  $given
     * @return array{int, int}
     */
    private static function needed(Part $part, array $given, int $from, int $to, Score $score): array
    {
        $tail = self::tail($score);
        [$first, $last] = [max($from, $given[0]), min($to, $given[1])];
        $lengths = $part->notes->integers('length');
        $places = array_map(static fn (int $start, int $length): array => [$start, $start + $length], $part->notes->integers('start'), $lengths);
        foreach ($part->points->integers('tick') as $tick) {
            $places[] = [$tick, $tick];
        }
        foreach ($places as [$start, $end]) {
            if ($start >= $from && $start < $first) {
                $first = max($from, $score->time->meters->barAt($start)->start);
            }
            if ($start >= $from && $start < $to && self::isBeyond($start, $end, $last, $tail)) {
                $last = min($to, $score->time->meters->barAt($end - 1)->end());
            }
        }

        return [$first, $last];
    }

    private static function said(PartHead $head, int $from, int $to, Score $score): string
    {
        $bar = static fn (int $tick): int => $score->time->meters->barAt($tick)->index + 1;
        $said = [];
        if ($from !== $head->from) {
            $said[] = sprintf($from < $head->from ? 'now begins at bar %d' : 'begins at bar %d again', $bar($from));
        }
        if ($to !== $head->to) {
            $said[] = sprintf($to > $head->to ? 'now reaches to the end of bar %d' : 'reaches to the end of bar %d again', $bar($to - 1));
        }

        return "“{$head->name}” ".implode(' and ', $said).'.';
    }

    /** Ticks by which a note may ring over the end of its part: less than half a sixteenth. */
    private static function tail(Score $score): int
    {
        return intdiv($score->time->ppq, 8);
    }

    /** Whether a note, or a point, whose start is its end, lies or rings beyond the end of a window. */
    private static function isBeyond(int $start, int $end, int $to, int $tail): bool
    {
        return $end > $to && ($start >= $to || $end - $to >= $tail);
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

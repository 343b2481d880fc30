<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Tempo\TimelineEdit;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Time\Timeline;

/**
 * What stands in the song beside its parts, moved where time is put in or taken out: tempos, meters, markers, and what a
 * file says in its tracks. What stands at the very start says how the song begins, and stays.
 */
final class SongShift
{
    /**
     * @param  int  $from  tick
     * @param  int  $by  ticks put in there; below 0 taken out from there on
     */
    public static function change(Change $change, EditInput $input, int $from, int $by): Change
    {
        $time = $input->time();
        $rows = TimeChange::rows($time);
        $after = Timeline::of($time->ppq, self::states($rows['tempos'], $from, $by), self::meters($rows['meters'], $from, $by), self::markers($rows['markers'], $from, $by));
        $builder = new ChangeBuilder;
        foreach ($input->score->tracks as $track) {
            $kept = array_map(static fn (PassthroughEvent $k): PassthroughEvent => new PassthroughEvent(self::to($k->tick, $from, $by), $k->order, $k->status, $k->type, $k->bytes), $track->kept());
            $builder->track($track, $track->withKept($kept)->endingAt(self::to($track->end, $from, $by)));
        }

        return $change->then(new Change([], TimeChange::between($time, $after), $builder->change()->tracks));
    }

    /** What is said, behind a sentence, of bars that a shift cuts short. */
    public static function cut(Change $change, EditInput $input, int $from, int $by): string
    {
        $said = TimelineEdit::cut($input->time(), (new Change([], $change->time))->applyTo($input->score)->time, static fn (int $tick): int => $tick === $from && $by > 0 ? $tick : self::to($tick, $from, $by));

        return $said === '' ? '' : " $said";
    }

    /** Where a tick comes to. */
    public static function to(int $tick, int $from, int $by): int
    {
        return match (true) {
            $tick < $from || $tick === 0 => $tick,
            $by < 0 => max($from, $tick + $by),
            default => $tick + $by,
        };
    }

    /**
     * Meters: one that begins where time is put in is the meter of that time too.
     *
     * @param  list<array{int, int, int, int, int, int, int}>  $rows
     * @return list<array{int, int, int, int, int, int, int}>
     */
    private static function meters(array $rows, int $from, int $by): array
    {
        return $by < 0 ? self::states($rows, $from, $by) : array_map(static fn (array $row): array => $row[0] === $from ? $row : [self::to($row[0], $from, $by)] + $row, $rows);
    }

    /**
     * Tempos or meters: the last of those taken out holds from there on, where none stands at the end of what goes.
     *
     * @template R of array{int, int, int, int}|array{int, int, int, int, int, int, int}
     *
     * @param  list<R>  $rows
     * @return list<R>
     */
    private static function states(array $rows, int $from, int $by): array
    {
        $after = [];
        foreach ($rows as $row) {
            $row[0] = self::to($row[0], $from, $by);
            // A later one at the same tick is the one that holds; rows go by tick.
            if ($by < 0 && $row[0] === $from) {
                $after = array_values(array_filter($after, static fn (array $r): bool => $r[0] !== $from));
            }
            $after[] = $row;
        }

        // @phpstan-ignore return.type (rows stay what they are)
        return $after;
    }

    /**
     * @param  list<array{int, string, int, int}>  $rows
     * @return list<array{int, string, int, int}> without those in a stretch that is taken out
     */
    private static function markers(array $rows, int $from, int $by): array
    {
        $left = array_filter($rows, static fn (array $r): bool => $by > 0 || $r[0] < $from || $r[0] >= $from - $by);

        return array_values(array_map(static fn (array $r): array => [$r[0] < $from ? $r[0] : $r[0] + $by, $r[1], $r[2], $r[3]], $left));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Refusal;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/**
 * What the edits of tempo, meter and markers have in common. A song has a tempo and a meter from its start on; further ones
 * begin at bar lines. Bars are those before the edit. Notes stay at their ticks.
 */
final class TimelineEdit
{
    /** Microseconds in a minute. */
    private const MINUTE = 60_000_000;

    public const SLOWEST = 4.0;

    public const FASTEST = 1000.0;

    public const MOST_BARS = 100_000;

    /** Microseconds a quarter of a tempo in quarters a minute. */
    public static function micro(float $tempo): int
    {
        return (int) round(self::MINUTE / $tempo);
    }

    /** Quarters a minute, to be read. */
    public static function words(int $micro): string
    {
        return Wording::number(self::MINUTE / $micro);
    }

    /** The tick at which a bar begins, counted from 1. */
    public static function bar(EditInput $input, int $bar): int
    {
        return $input->time()->meters->barNumber($bar - 1)->start;
    }

    /**
     * Row of the change that holds at a tick; null where none is written and the standard's own holds.
     *
     * @param  list<array<int, int>>  $rows  tick first
     */
    public static function holding(array $rows, int $tick): ?int
    {
        $found = null;
        foreach ($rows as $i => $row) {
            if ($row[0] <= $tick && ($found === null || $row[0] >= $rows[$found][0])) {
                $found = $i;
            }
        }

        return $found;
    }

    /**
     * Row of the change that stands at a tick.
     *
     * @param  list<array<int, int>>  $rows
     *
     * @throws Refusal when there is none, or it is the first, which a song cannot be without
     */
    public static function at(array $rows, int $tick, string $what, EditInput $input): int
    {
        $found = self::holding($rows, $tick);
        if ($tick === 0 || $found === null || $rows[$found][0] !== $tick) {
            throw new Refusal($tick === 0
                ? "The $what at the song’s start stays: a song cannot be without one. Set it instead."
                : "No $what begins at {$input->time()->position($tick)}: nothing was changed.", 'at');
        }

        return $found;
    }

    /**
     * @param  list<array{int, int, int, int}>|null  $tempos  as rows; null where they stay
     * @param  string  $same  what is said where it was so already
     * @param  list<array{int, int, int, int, int, int, int}>|null  $meters
     * @param  list<array{int, string, int, int}>|null  $markers
     */
    public static function outcome(EditInput $input, ?array $tempos, ?array $meters, string $said, string $same = 'It is like that already: nothing changed.', ?array $markers = null): Outcome
    {
        $time = $input->time();
        $after = Timeline::of($time->ppq, $tempos ?? $time->tempoRows, $meters ?? $time->meterRows, $markers ?? $time->markerRows);
        $change = TimeChange::between($time, $after);

        return new Outcome(new Change([], $change), $input->selection, $change === null ? $same : trim($said.' '.self::cut($time, $after)));
    }

    /**
     * What is said of bars that an edit cut short, where a change of meter now begins within them.
     *
     * @param  (\Closure(int): int)|null  $to  where a tick came to; null where all stay
     */
    public static function cut(Timeline $before, Timeline $after, ?\Closure $to = null): string
    {
        $were = array_map($to ?? static fn (int $tick): int => $tick, array_keys($before->meters->shortBars()));
        $bars = array_map(static fn (int $index): int => $index + 1, array_values(array_diff_key($after->meters->shortBars(), array_flip($were))));
        $last = array_pop($bars);

        return $last === null ? '' : ($bars === [] ? "Bar $last is" : 'Bars '.implode(', ', $bars)." and $last are").' cut short by the meter change that follows.';
    }

    /**
     * Row of the marker that stands at a tick; null where none does.
     *
     * @param  array<int, array{int, string, int, int}>  $rows
     */
    public static function marker(array $rows, int $tick): ?int
    {
        foreach ($rows as $i => $row) {
            if ($row[0] === $tick) {
                return $i;
            }
        }

        return null;
    }

    /** @param  array{int, string, int, int}  $row  of a marker */
    public static function name(array $row): string
    {
        return Message::text((string) base64_decode($row[1], true));
    }

    /**
     * @return list<array{int, int, int, int}>
     *
     * @throws Refusal where the song counts frames of a second
     */
    public static function tempos(EditInput $input): array
    {
        foreach ($input->time()->tempoRows as $row) {
            if ($row[2] < 0) {
                throw new Refusal('This song counts frames of a second, as its file did: it has no tempo to set.', 'tempo');
            }
        }

        return $input->time()->tempoRows;
    }
}

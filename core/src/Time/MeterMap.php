<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/**
 * The bars of a song. A meter that begins inside a bar ends that bar there: every meter change stands on a bar line.
 * Before the first change 4/4 holds, as the MIDI file standard has it.
 */
final readonly class MeterMap
{
    /** @var list<Meter> by tick, the first at 0, no two at one tick */
    public array $changes;

    /** @var list<int> index of the bar that begins at each change */
    private array $firstBars;

    /** @var list<int> tick of each change */
    private array $ticks;

    /** @param  list<Meter>  $changes in any order; of several at one tick the last counts */
    public function __construct(public int $ppq, array $changes = [])
    {
        $byTick = [0 => new Meter(0, 4, 4)];
        foreach ($changes as $change) {
            $byTick[$change->tick] = $change;
        }
        ksort($byTick);
        $this->changes = array_values($byTick);
        $this->ticks = array_keys($byTick);
        $bar = 0;
        $firstBars = [];
        foreach ($this->changes as $i => $change) {
            $firstBars[] = $bar;
            if (isset($this->changes[$i + 1])) {
                $stretch = $this->changes[$i + 1]->tick - $change->tick;
                $bar += $this->barsWithin($change, $stretch);
            }
        }
        $this->firstBars = $firstBars;
    }

    /** The bar that holds the tick; ticks before 0 count as 0. */
    public function barAt(int $tick): Bar
    {
        $tick = max(0, $tick);
        $i = $this->changeAt($tick);
        $change = $this->changes[$i];
        $k = intdiv(($tick - $change->tick) * $change->unit, 4 * $this->ppq * $change->beats);
        // Bars whose length is no whole number of ticks begin at a rounded tick: step to the side that holds ours.
        while ($this->edge($change, $k + 1) <= $tick) {
            $k++;
        }
        while ($k > 0 && $this->edge($change, $k) > $tick) {
            $k--;
        }

        return $this->bar($i, $k);
    }

    /** The bar with this index from 0; an index below 0 counts as 0. */
    public function barNumber(int $index): Bar
    {
        $index = max(0, $index);
        $i = Search::last($this->firstBars, $index);

        return $this->bar($i, $index - $this->firstBars[$i]);
    }

    /**
     * A place as people read it: bar.beat.sixteenth, each counted from 1, and behind them hundredths of a sixteenth where
     * there are any: "17.3.2", "17.3.2.50". Beats are the meter's unit.
     */
    public function position(int $tick): string
    {
        $bar = $this->barAt($tick);
        $offset = max(0, $tick) - $bar->start;
        $beat = intdiv($offset * $bar->meter->unit, 4 * $this->ppq);
        $within = $offset - self::divRound($beat * 4 * $this->ppq, $bar->meter->unit);

        $hundredths = intdiv(400 * $within, $this->ppq);

        return sprintf('%d.%d.%d', $bar->index + 1, $beat + 1, intdiv($hundredths, 100) + 1).($hundredths % 100 === 0 ? '' : sprintf('.%02d', $hundredths % 100));
    }

    /** @return list<array{int, int, int}> tick, beats, unit */
    public function toArray(): array
    {
        return array_map(static fn (Meter $m): array => [$m->tick, $m->beats, $m->unit], $this->changes);
    }

    /**
     * The bars that a change of meter cuts short.
     *
     * @return array<int, int> the index of the bar before each such change, by the tick of the change
     */
    public function shortBars(): array
    {
        $short = [];
        foreach (array_slice($this->ticks, 1) as $i => $tick) {
            $bar = $this->barAt($tick - 1);
            if ($this->edge($this->changes[$i], $bar->index - $this->firstBars[$i] + 1) > $tick) {
                $short[$tick] = $bar->index;
            }
        }

        return $short;
    }

    /**
     * The stretches between changes of meter, for whoever goes by them and not by bars.
     *
     * @return list<array{Meter, int, int|null}> the meter, the index of its first bar, and the tick at which the next
     *                                           begins; null for the last
     */
    public function stretches(): array
    {
        $all = [];
        foreach ($this->changes as $i => $change) {
            $all[] = [$change, $this->firstBars[$i], $this->ticks[$i + 1] ?? null];
        }

        return $all;
    }

    private function bar(int $i, int $k): Bar
    {
        $change = $this->changes[$i];
        $start = $this->edge($change, $k);
        $end = $this->edge($change, $k + 1);
        if (isset($this->changes[$i + 1])) {
            $end = min($end, $this->changes[$i + 1]->tick);
        }

        return new Bar($this->firstBars[$i] + $k, $start, $end - $start, $change);
    }

    private function changeAt(int $tick): int
    {
        return Search::last($this->ticks, $tick);
    }

    /** The tick of a bar line after a change, counted from it. */
    public function edge(Meter $change, int $k): int
    {
        return $change->tick + self::divRound($k * 4 * $this->ppq * $change->beats, $change->unit);
    }

    private function barsWithin(Meter $change, int $stretch): int
    {
        $k = intdiv($stretch * $change->unit, 4 * $this->ppq * $change->beats);
        while ($this->edge($change, $k) < $change->tick + $stretch) {
            $k++;
        }

        return $k;
    }

    private static function divRound(int $n, int $d): int
    {
        return intdiv(2 * $n + $d, 2 * $d);
    }
}

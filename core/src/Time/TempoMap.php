<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/**
 * Ticks to seconds and back, piecewise exact. Tempos are microseconds per quarter, as MIDI files have them; before the
 * first change 120 quarters a minute hold.
 */
final readonly class TempoMap
{
    public const DEFAULT = 500_000;

    /** @var list<array{int, int}> tick and microseconds per quarter, by tick, the first at 0 */
    public array $changes;

    /** @var list<int> time of each change in microseconds × ppq, an exact whole number */
    private array $times;

    /** @var list<int> tick of each change */
    private array $ticks;

    /** @param  list<array{int, int}>  $changes tick (0 or more) and microseconds per quarter (1 or more) */
    public function __construct(public int $ppq, array $changes = [])
    {
        $byTick = [0 => self::DEFAULT];
        foreach ($changes as [$tick, $tempo]) {
            $byTick[$tick] = $tempo;
        }
        ksort($byTick);
        $list = [];
        $times = [];
        $time = 0;
        $before = [0, 0];
        foreach ($byTick as $tick => $tempo) {
            $time += ($tick - $before[0]) * $before[1];
            $list[] = $before = [$tick, $tempo];
            $times[] = $time;
        }
        $this->changes = $list;
        $this->times = $times;
        $this->ticks = array_keys($byTick);
    }

    /** Seconds from the song's start to a tick, which may lie between two ticks or before 0. */
    public function seconds(float $tick): float
    {
        $i = Search::last($this->ticks, $tick);

        return ($this->times[$i] + ($tick - $this->changes[$i][0]) * $this->changes[$i][1]) / ($this->ppq * 1e6);
    }

    /** The tick, with its fraction, at a time in seconds. */
    public function tick(float $seconds): float
    {
        $time = $seconds * $this->ppq * 1e6;
        $i = Search::last($this->times, $time);

        return $this->changes[$i][0] + ($time - $this->times[$i]) / $this->changes[$i][1];
    }

    /** The tick, with its fraction, that lies some milliseconds after (or, below 0, before) another. */
    public function shift(float $tick, float $milliseconds): float
    {
        $i = Search::last($this->ticks, $tick);
        $moved = $tick + $milliseconds * 1e3 * $this->ppq / $this->changes[$i][1];
        $next = $this->changes[$i + 1][0] ?? INF;
        if ($moved <= $next && ($i === 0 || $moved >= $this->changes[$i][0])) {
            return $moved;
        }

        return $this->tick($this->seconds($tick) + $milliseconds / 1e3);
    }

    /** Milliseconds from one tick to another, below 0 when the second lies before the first. */
    public function milliseconds(float $from, float $to): float
    {
        $i = count($this->ticks) === 1 ? 0 : Search::last($this->ticks, $from);
        if ($to < ($this->changes[$i + 1][0] ?? INF) && ($i === 0 || $to >= $this->changes[$i][0])) {
            return ($to - $from) * $this->changes[$i][1] / ($this->ppq * 1e3);
        }

        return ($this->seconds($to) - $this->seconds($from)) * 1e3;
    }

    /**
     * The map as a table to interpolate in, for whoever plays or draws it: tick, seconds, microseconds per quarter.
     *
     * @return list<array{int, float, int}>
     */
    public function toTable(): array
    {
        $table = [];
        foreach ($this->changes as $i => [$tick, $tempo]) {
            $table[] = [$tick, $this->times[$i] / ($this->ppq * 1e6), $tempo];
        }

        return $table;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/**
 * The lines of a grid, swing included, over a song's bars. Lines start anew at every bar line; a grid of bars counts
 * from the song's start and does not swing. Positions are exact fractions, rounded to a tick (half up) only at the end.
 */
final class Lines
{
    public const STRAIGHT = 50.0;

    /** Ticks that no song reaches. */
    private const FARTHEST = 1 << 42;

    /** Swing in hundredths of a percent: where the second line of a pair stands, as a share of the pair. */
    private readonly int $share;

    /** @var array<int, list<int>> offsets of the lines in a bar, by the bar's length; the bar's end closes each list */
    private array $patterns = [];

    private ?Bar $bar = null;

    /** @var array{int, int} the cell found last: notes that follow one another mostly share it */
    private array $cell = [0, 0];

    /** @param  float  $swing 50–75 %; kept to a hundredth */
    public function __construct(
        private readonly MeterMap $meters,
        public readonly Grid $grid,
        float $swing = self::STRAIGHT,
    ) {
        $this->share = (int) round($swing * 100);
    }

    /** The line nearest to a tick; a tie goes to the later one. */
    public function nearest(int $tick): int
    {
        [$before, $after] = $this->around($tick);

        return $tick - $before < $after - $tick ? $before : $after;
    }

    /**
     * Likewise of many ticks: those that follow one another mostly share a cell.
     *
     * @param  list<int>  $ticks
     * @return list<int> in their order
     */
    public function nearestOf(array $ticks): array
    {
        $nearest = [];
        [$before, $after] = $this->cell;
        foreach ($ticks as $tick) {
            if ($tick < $before || $tick >= $after) {
                [$before, $after] = $this->around($tick);
            }
            $nearest[] = $tick - $before < $after - $tick ? $before : $after;
        }

        return $nearest;
    }

    /**
     * The lines that enclose a tick: the last at or before it and the first after it.
     *
     * @return array{int, int}
     */
    public function around(int $tick): array
    {
        $tick = max(0, $tick);
        if ($tick >= $this->cell[0] && $tick < $this->cell[1]) {
            return $this->cell;
        }
        if ($this->grid->isBars()) {
            $index = $this->meters->barAt($tick)->index;
            $index -= $index % $this->grid->bars;

            return $this->cell = [$this->meters->barNumber($index)->start, $this->meters->barNumber($index + $this->grid->bars)->start];
        }
        $bar = $this->bar;
        if ($bar === null || $tick < $bar->start || $tick >= $bar->start + $bar->length) {
            $bar = $this->bar = $this->meters->barAt($tick);
        }
        $pattern = $this->patterns[$bar->length] ?? $this->pattern($bar->length);
        $offset = $tick - $bar->start;
        $last = count($pattern) - 2;
        $i = min($last, intdiv($offset * ($last + 1), $bar->length));
        while ($pattern[$i] > $offset) {
            $i--;
        }
        while ($pattern[$i + 1] <= $offset) {
            $i++;
        }

        return $this->cell = [$bar->start + $pattern[$i], $bar->start + $pattern[$i + 1]];
    }

    /** The first line after a tick. */
    public function after(int $tick): int
    {
        return $this->around($tick)[1];
    }

    /** The last line before a tick; 0 when there is none. */
    public function before(int $tick): int
    {
        return $tick <= 0 ? 0 : $this->around($tick - 1)[0];
    }

    /**
     * One cell as the person means it when moving by the grid: its length without swing, in ticks, with the fraction.
     * For a grid of bars it is the length of the bars from the one that holds the tick.
     */
    public function cell(int $at): float
    {
        if ($this->grid->isBars()) {
            $bar = $this->meters->barAt($at);

            return $this->meters->barNumber($bar->index + $this->grid->bars)->start - $bar->start;
        }
        [$n, $d] = $this->grid->cell($this->meters->ppq);

        return $n / $d;
    }

    /**
     * All lines, for drawing, however long the song is: as runs of bars that are alike. A run says where it begins, the
     * index of its first bar, how many ticks it takes to come round, how often it does, and its bars: the offset of each
     * and which pattern its lines follow. The last run has no end that could be reached.
     *
     * @return array{runs: list<array{int, int, int, int, list<array{int, int}>}>, patterns: list<list<int>>} patterns
     *                                                       are the offsets of lines in a bar
     */
    public function table(): array
    {
        $runs = [];
        $known = new Patterns;
        foreach ($this->meters->stretches() as [$meter, $first, $next]) {
            [$n, $d] = [4 * $this->meters->ppq * $meter->beats, $meter->unit];
            $round = self::lcm(intdiv($d, self::gcd($n, $d)), $this->grid->isBars() ? $this->grid->bars : 1);
            $every = intdiv($round * $n, $d);
            $times = $next === null ? intdiv(self::FARTHEST, $every) + 1 : intdiv($next - $meter->tick, $every);
            if ($times > 0) {
                self::add($runs, [$meter->tick, $first, $every, $times, $this->bars($meter, $first, 0, $round, null, $known)]);
            }
            $left = $next === null ? 0 : $next - $meter->tick - $times * $every;
            if ($left > 0) {
                self::add($runs, [$meter->tick + $times * $every, $first + $times * $round, $left, 1,
                    $this->bars($meter, $first, $times * $round, PHP_INT_MAX, $next, $known)]);
            }
        }

        return ['runs' => $runs, 'patterns' => $known->all()];
    }

    /**
     * Bars of a meter from its so-many-th on, so many or up to a tick.
     *
     * @return list<array{int, int}>
     */
    private function bars(Meter $meter, int $first, int $from, int $count, ?int $until, Patterns $known): array
    {
        $bars = [];
        $start = $begin = $this->meters->edge($meter, $from);
        for ($k = $from; $k - $from < $count && ($until === null || $start < $until); $k++) {
            $end = $this->meters->edge($meter, $k + 1);
            $length = min($end, $until ?? $end) - $start;
            $bars[] = [$start - $begin, match (true) {
                ! $this->grid->isBars() => $known->of($length, fn (): array => array_slice($this->pattern($length), 0, -1)),
                ($first + $k) % $this->grid->bars === 0 => $known->of(-1, static fn (): array => [0]),
                default => $known->of(-2, static fn (): array => []),
            }];
            $start = $end;
        }

        return $bars;
    }

    /**
     * A run that goes on as the one before is one with it.
     *
     * @param  list<array{int, int, int, int, list<array{int, int}>}>  $runs
     * @param  array{int, int, int, int, list<array{int, int}>}  $run
     */
    private static function add(array &$runs, array $run): void
    {
        $last = count($runs) - 1;
        if ($last >= 0 && $runs[$last][2] === $run[2] && $runs[$last][4] === $run[4] && $runs[$last][0] + $run[2] * $runs[$last][3] === $run[0]) {
            $runs[$last][3] += $run[3];
        } else {
            $runs[] = $run;
        }
    }

    private static function gcd(int $a, int $b): int
    {
        return $b === 0 ? $a : self::gcd($b, $a % $b);
    }

    private static function lcm(int $a, int $b): int
    {
        return intdiv($a, self::gcd($a, $b)) * $b;
    }

    /** @return list<int> */
    private function pattern(int $length): array
    {
        if (isset($this->patterns[$length])) {
            return $this->patterns[$length];
        }
        [$n, $d] = $this->grid->cell($this->meters->ppq);
        $offsets = [];
        for ($k = 0; ; $k++) {
            $place = $k * $n * 10_000;
            // The second line of a pair swings only where both cells of the pair fit into the bar.
            if ($k % 2 === 1 && ($k + 1) * $n <= $length * $d) {
                $place = (($k - 1) * 10_000 + 2 * $this->share) * $n;
            }
            $offset = intdiv(2 * $place + $d * 10_000, 2 * $d * 10_000);
            if ($offset >= $length) {
                break;
            }
            $offsets[] = $offset;
        }
        $offsets = array_values(array_unique($offsets));
        $offsets[] = $length;

        return $this->patterns[$length] = $offsets;
    }
}

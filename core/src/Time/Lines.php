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
     * All lines up to an end, for drawing: the bars in order, each with the pattern that its lines follow.
     *
     * @param  int  $end  tick; the bar that holds it is the last
     * @return array{bars: list<int>, of: list<int>, patterns: list<list<int>>} start of each bar, which pattern it
     *                                                                          follows, and the offsets of each pattern
     */
    public function table(int $end): array
    {
        $bars = $of = $patterns = $known = [];
        $bar = $this->meters->barNumber(0);
        while (true) {
            $offsets = match (true) {
                ! $this->grid->isBars() => array_slice($this->pattern($bar->length), 0, -1),
                $bar->index % $this->grid->bars === 0 => [0],
                default => [],
            };
            $key = implode(',', $offsets);
            if (! isset($known[$key])) {
                $known[$key] = count($patterns);
                $patterns[] = $offsets;
            }
            $bars[] = $bar->start;
            $of[] = $known[$key];
            if ($bar->end() > $end) {
                return ['bars' => $bars, 'of' => $of, 'patterns' => $patterns];
            }
            $bar = $this->meters->barNumber($bar->index + 1);
        }
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

<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

use Jactonic\Core\Refusal;
use Jactonic\Core\Shape;

/**
 * A distance to nudge or resize by: cells of the grid, a note value, bars, milliseconds, samples or ticks.
 * Written {"unit": "ms", "amount": 10}; for `value` the amount is a note value such as "1/16".
 */
final readonly class Step
{
    public const UNITS = ['grid', 'value', 'bar', 'ms', 'samples', 'ticks'];

    public const ALLOWED = '{"unit": grid, value, bar, ms, samples or ticks, "amount": above 0; for value a note value such as "1/16"; whole for bars}';

    public const LENGTH_ALLOWED = 'a note value such as "1/16", "1/8D" or "bar", or a whole number of ticks from 1';

    /** Samples a second where none is given. */
    public const RATE = 48_000;

    private const MOST = 1_000_000;

    private function __construct(
        public string $unit,
        public float $amount,
        public ?Grid $value = null,
        public int $rate = self::RATE,
    ) {
    }

    /** @return array<string, mixed> of it as it is written, as JSON Schema */
    public static function shape(): array
    {
        return Shape::object(['unit' => Shape::oneOf(self::UNITS), 'amount' => Shape::either(Shape::number(0, self::MOST), Shape::text())], ['rate' => Shape::whole(8_000, 384_000)]);
    }

    /** @throws Refusal when it is no such distance */
    public static function parse(mixed $by, string $parameter = 'by'): self
    {
        if (! is_array($by) || ! in_array($by['unit'] ?? null, self::UNITS, true)) {
            throw Refusal::parameter($parameter, $by, self::ALLOWED);
        }
        $unit = $by['unit'];
        $amount = $by['amount'] ?? ($unit === 'value' ? null : 1);
        if ($unit === 'value') {
            if (! is_string($amount)) {
                throw Refusal::parameter($parameter, $by, self::ALLOWED);
            }
            $value = Grid::parse($amount, $parameter);

            return $value->isBars() ? new self('bar', $value->bars) : new self('value', 1, $value);
        }
        $whole = $unit === 'bar';
        if ((! is_int($amount) && ! is_float($amount)) || $amount <= 0 || $amount > self::MOST || ($whole && floor($amount) !== (float) $amount)) {
            throw Refusal::parameter($parameter, $by, self::ALLOWED);
        }
        $rate = $by['rate'] ?? self::RATE;
        if (! is_int($rate) || $rate < 8_000 || $rate > 384_000) {
            throw Refusal::parameter($parameter.'.rate', $rate, '8000 to 384000 samples a second');
        }

        return new self($unit, (float) $amount, null, $rate);
    }

    /**
     * How long a note is to be: a note value, or ticks.
     *
     * @throws Refusal when it is neither
     */
    public static function ofLength(mixed $length, string $parameter): self
    {
        return match (true) {
            is_string($length) => self::parse(['unit' => 'value', 'amount' => $length], $parameter),
            is_int($length) && $length > 0 && $length <= self::MOST => self::parse(['unit' => 'ticks', 'amount' => $length], $parameter),
            default => throw Refusal::parameter($parameter, $length, self::LENGTH_ALLOWED),
        };
    }

    /**
     * The next finer step of its kind, or the next wider one: note values by halves, up to bars; other units by 1, 2, 5, 10, 20 and so on.
     *
     * @throws Refusal where there is none
     */
    public function turned(string $turn, Grid $grid): self
    {
        if ($turn !== 'finer' && $turn !== 'wider') {
            throw Refusal::parameter('nudgeTurn', $turn, 'finer or wider');
        }
        $value = match (true) {
            $this->unit === 'value' => $this->value,
            $this->unit === 'bar' => Grid::parse($this->amount === 1.0 ? 'bar' : ((int) $this->amount).'bar'),
            $this->unit === 'grid' && $this->amount === 1.0 => $grid,
            default => null,
        };
        if ($value !== null) {
            return self::parse(['unit' => 'value', 'amount' => $value->turned($turn === 'wider' ? 'coarser' : 'finer')->name]);
        }
        $ladder = array_merge(...array_map(static fn (int $p): array => [10 ** $p, 2 * 10 ** $p, 5 * 10 ** $p], range(0, 5)));
        $beyond = array_filter($ladder, fn (int $amount): bool => $turn === 'wider' ? $amount > $this->amount : $amount < $this->amount);
        if ($beyond === []) {
            throw new Refusal(sprintf('The nudge step is %s already; there is none that is %s.', $this->words(1), $turn));
        }

        return new self($this->unit, $turn === 'wider' ? min($beyond) : max($beyond), null, $this->rate);
    }

    /** @return array{unit: string, amount: string|float, rate?: int} what `parse` reads back */
    public function toArray(): array
    {
        return ['unit' => $this->unit, 'amount' => $this->value->name ?? $this->amount] + ($this->unit === 'samples' ? ['rate' => $this->rate] : []);
    }

    /** What `ofLength` reads back; only for a step that it made. */
    public function toLength(): string|int
    {
        return match ($this->unit) {
            'ticks' => (int) $this->amount,
            'bar' => $this->amount === 1.0 ? 'bar' : ((int) $this->amount).'bar',
            default => $this->value->name ?? '',
        };
    }

    /** True where the distance in ticks depends on the tempo at each note's own place. */
    public function isOfTime(): bool
    {
        return $this->unit === 'ms' || $this->unit === 'samples';
    }

    /** Milliseconds of one step; only for a step of time. */
    public function milliseconds(): float
    {
        return $this->unit === 'ms' ? $this->amount : $this->amount * 1e3 / $this->rate;
    }

    /**
     * How far a number of steps reaches from a place, in ticks with their fraction.
     *
     * @param  int  $steps  below 0 for earlier
     */
    public function distance(Timeline $time, Lines $lines, int $steps, float $from): float
    {
        return match ($this->unit) {
            'ticks' => $steps * $this->amount,
            'ms', 'samples' => $time->tempos->shift($from, $steps * $this->milliseconds()) - $from,
            'value' => $steps * self::ticks($this->value ?? $lines->grid, $time->ppq),
            'bar' => self::bars($time, (int) round($steps * $this->amount), $from),
            default => $lines->grid->isBars()
                ? self::bars($time, (int) round($steps * $this->amount * $lines->grid->bars), $from)
                : $steps * $this->amount * self::ticks($lines->grid, $time->ppq),
        };
    }

    /**
     * The step in words: "10 ms", "1 grid cell"; of ticks that are a beat or more, where it is told when, "1 bar 2 beats".
     */
    public function words(int $steps, ?Timeline $time = null, float $from = 0): string
    {
        $n = abs($steps);
        $amount = $n * $this->amount;
        if ($this->unit === 'ticks' && $time !== null && $amount === floor($amount)) {
            return self::beats((int) $amount, $time, max(0, (int) $from));
        }
        $number = rtrim(rtrim(number_format($amount, 3, '.', ''), '0'), '.');

        return match ($this->unit) {
            'ticks' => $number.($amount === 1.0 ? ' tick' : ' ticks'),
            'ms' => $number.' ms',
            'samples' => $number.($amount === 1.0 ? ' sample' : ' samples'),
            'bar' => $number.($amount === 1.0 ? ' bar' : ' bars'),
            'value' => ($n === 1 ? '' : $n.' × ').($this->value->name ?? ''),
            default => $number.($amount === 1.0 ? ' grid cell' : ' grid cells'),
        };
    }

    /** Ticks by the bars and beats that hold at a place. */
    private static function beats(int $ticks, Timeline $time, int $from): string
    {
        $bar = $time->meters->barAt($from);
        $beat = intdiv(4 * $time->ppq, $bar->meter->unit);
        $full = $beat * $bar->meter->beats;
        $said = [];
        // So little is no length that anybody reads off a grid.
        if ($ticks * 32 < $time->ppq) {
            return $ticks === 1 ? '1 tick' : "$ticks ticks";
        }
        if ($ticks < $beat) {
            return NoteValue::words($ticks, $time->ppq);
        }
        foreach ([[intdiv($ticks, $full), 'bar'], [intdiv($ticks % $full, $beat), 'beat']] as [$n, $word]) {
            if ($n > 0) {
                $said[] = "$n $word".($n === 1 ? '' : 's');
            }
        }
        $rest = $ticks % $full % $beat;

        return implode(' ', $said).($rest === 0 ? '' : ' and '.NoteValue::words($rest, $time->ppq));
    }

    private static function ticks(Grid $value, int $ppq): float
    {
        [$n, $d] = $value->cell($ppq);

        return $n / $d;
    }

    /**
     * Whole bars through the meter map: the place in the bar is kept. What stands less than half a sixteenth before a
     * bar line is played early for it, and goes by that bar's length. Before the first bar, bars of its length go on.
     */
    private static function bars(Timeline $time, int $bars, float $from): float
    {
        $meters = $time->meters;
        $here = $time->meantBar($from);
        $there = $here->index + $bars;
        $start = $there >= 0 ? $meters->barNumber($there)->start : $there * $meters->barNumber(0)->length;

        return $start - $here->start;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

use Jactonic\Core\Refusal;

/**
 * A grid as the person names it: "1/16", "1/8T" (triplet, ×2/3), "1/4D" (dotted, ×3/2), "1/16:5" (five in the time
 * of four), "bar", "2bar" … "16bar". The cell is kept as an exact fraction of a whole note, so that no line drifts.
 */
final readonly class Grid
{
    public const ALLOWED = 'a grid such as 1/16, 1/8T, 1/4D, 1/16:5, bar or 2bar, from 1/1 to 1/128';

    /** Note values that a grid may have, the longest first. */
    public const VALUES = ['1/1', '1/2', '1/4', '1/8', '1/16', '1/32', '1/64', '1/128'];

    /** Grids of bars to select from; 1 to 16 bars are read. */
    public const BARS = ['bar', '2bar', '3bar', '4bar', '8bar', '16bar'];

    /** Longest tuplet accepted: 64 in the time of 32. */
    private const MOST_IN_TUPLET = 64;

    /** The tuplets that one key goes through, then straight again. */
    private const TUPLETS = [5, 6, 7, 9, 10, 11, 13];

    /**
     * @param  string  $name  the normal form of what was written
     * @param  int  $numerator  of the cell, as a fraction of a whole note in lowest terms; 0 for a bar grid
     * @param  int  $denominator  of the cell; 1 for a bar grid
     * @param  int  $bars  how many bars a cell spans; 0 when the grid is a note value
     */
    private function __construct(
        public string $name,
        public int $numerator,
        public int $denominator,
        public int $bars,
    ) {
    }

    /** @throws Refusal when the text names no grid */
    public static function parse(string $text, string $parameter = 'grid'): self
    {
        if (preg_match('/^(\d{0,2})bar$/', $text, $m) === 1) {
            $bars = $m[1] === '' ? 1 : (int) $m[1];
            if ($bars >= 1 && $bars <= 16) {
                return new self($bars === 1 ? 'bar' : $bars.'bar', 0, 1, $bars);
            }
        }
        if (preg_match('/^1\/(1|2|4|8|16|32|64|128)(T|D|:(\d{1,2}))?$/', $text, $m) === 1) {
            $value = (int) $m[1];
            $kind = $m[2] ?? '';
            if ($kind === '') {
                return self::ofFraction($text, 1, $value);
            }
            if ($kind === 'T') {
                return self::ofFraction($text, 2, 3 * $value);
            }
            if ($kind === 'D') {
                return self::ofFraction($text, 3, 2 * $value);
            }
            $tuplet = (int) ($m[3] ?? 0);
            if ($tuplet >= 3 && $tuplet <= self::MOST_IN_TUPLET && ($tuplet & ($tuplet - 1)) !== 0) {
                return self::ofFraction($text, self::powerBelow($tuplet), $tuplet * $value);
            }
        }
        throw Refusal::parameter($parameter, $text, self::ALLOWED);
    }

    public function isBars(): bool
    {
        return $this->bars > 0;
    }

    /**
     * The cell in ticks as [numerator, denominator], exact and in lowest terms. Only for a note value.
     *
     * @return array{int, int}
     */
    public function cell(int $ppq): array
    {
        $n = 4 * $ppq * $this->numerator;
        $g = self::gcd($n, $this->denominator);

        return [intdiv($n, $g), intdiv($this->denominator, $g)];
    }

    /**
     * The grid that a turn makes of this one: triplet and dotted switch on and off, tuplet goes on to the next (5 in the
     * time of 4, then 6, 7, 9, 10, 11, 13, then straight), finer and coarser halve and double the value and keep its kind.
     *
     * @param  string  $turn  triplet, dotted, tuplet, finer or coarser
     *
     * @throws Refusal when there is no such grid
     */
    public function turned(string $turn): self
    {
        if ($this->isBars()) {
            return match (true) {
                $turn === 'coarser' && $this->bars <= 8 => self::parse((2 * $this->bars).'bar'),
                $turn === 'finer' && $this->bars > 1 => self::parse(($this->bars === 2 || $this->bars === 3 ? '' : intdiv($this->bars, 2)).'bar'),
                $turn === 'finer' => self::parse('1/1'),
                default => throw new Refusal("The grid is $this->name; $turn is for note values from 1/1 to 1/128."),
            };
        }
        preg_match('/^1\/(\d+)(.*)$/', $this->name, $m);
        [$value, $kind] = [(int) ($m[1] ?? 1), $m[2] ?? ''];

        return match ($turn) {
            'triplet' => self::parse("1/$value".($kind === 'T' ? '' : 'T')),
            'dotted' => self::parse("1/$value".($kind === 'D' ? '' : 'D')),
            'tuplet' => self::parse("1/$value".self::tupletAfter($kind)),
            'finer' => $value < 128 ? self::parse('1/'.($value * 2).$kind) : throw new Refusal("The grid is $this->name already; there is no finer one."),
            'coarser' => $value > 1 ? self::parse('1/'.intdiv($value, 2).$kind) : self::parse('bar'),
            default => throw Refusal::parameter('turn', $turn, 'triplet, dotted, tuplet, finer or coarser'),
        };
    }

    /** @param  string  $kind  as the grid's name ends: "", "T", ":5" */
    private static function tupletAfter(string $kind): string
    {
        $now = str_starts_with($kind, ':') ? (int) substr($kind, 1) : 0;
        foreach (self::TUPLETS as $n) {
            if ($n > $now) {
                return ":$n";
            }
        }

        return '';
    }

    private static function ofFraction(string $name, int $numerator, int $denominator): self
    {
        $g = self::gcd($numerator, $denominator);

        return new self($name, intdiv($numerator, $g), intdiv($denominator, $g), 0);
    }

    private static function powerBelow(int $n): int
    {
        $p = 1;
        while ($p * 2 < $n) {
            $p *= 2;
        }

        return $p;
    }

    private static function gcd(int $a, int $b): int
    {
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return max(1, abs($a));
    }
}

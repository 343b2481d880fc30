<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;

/**
 * The curves that a note has of its own: points of lanes in ticks from its start, each value holding until the next.
 * A bend is in the units of the message, −8192 to 8191. Lies in a column of the note as a text, so that it moves, copies
 * and comes back with it. Immutable.
 */
final readonly class Expression
{
    public const ALLOWED = 'an object of lanes (bend, pressure, cc:0 to cc:119) with a list of [ticks from the start, value] each';

    private const MOST = 4096;

    /** @param  array<string, non-empty-list<array{int, int}>>  $lanes  by name in order, points in order of time, one a tick */
    private function __construct(public array $lanes)
    {
    }

    /** Out of the text of a note. */
    public static function of(string $text): self
    {
        if ($text === '') {
            return new self([]);
        }
        /** @var array<string, non-empty-list<array{int, int}>> $lanes */
        $lanes = json_decode($text, true, 4, JSON_THROW_ON_ERROR);

        return new self($lanes);
    }

    /** @throws Refusal for what is none */
    public static function read(mixed $value, string $name): self
    {
        $value = is_string($value) && $value !== '' ? json_decode($value, true) : ($value === '' ? [] : $value);
        if (! is_array($value)) {
            throw Refusal::parameter($name, $value, self::ALLOWED);
        }
        $own = new self([]);
        foreach ($value as $lane => $points) {
            $lane = Lane::parse($lane, $name);
            $own = $own->with($lane, self::checked($lane, $points, $name));
        }

        return $own;
    }

    /** The text of it, the same for the same curves. */
    public function text(): string
    {
        return $this->lanes === [] ? '' : json_encode($this->lanes, JSON_THROW_ON_ERROR);
    }

    public function isEmpty(): bool
    {
        return $this->lanes === [];
    }

    /** @return list<array{int, int}> */
    public function points(Lane $lane): array
    {
        return $this->lanes[$lane->name] ?? [];
    }

    /**
     * With other points in a lane; none takes it away.
     *
     * @param  list<array{int, int}>  $points
     */
    public function with(Lane $lane, array $points): self
    {
        if (! in_array($lane->name, ['bend', 'pressure'], true) && ! str_starts_with($lane->name, 'cc:')) {
            throw Refusal::parameter('lane', $lane->name, 'bend, pressure, or cc:0 to cc:119: the others belong to the whole track');
        }
        $byTick = [];
        foreach ($points as [$tick, $value]) {
            $byTick[$tick] = $value;
        }
        ksort($byTick);
        $lanes = $this->lanes;
        unset($lanes[$lane->name]);
        if ($byTick !== []) {
            $lanes[$lane->name] = array_map(static fn (int $tick, int $value): array => [$tick, $value], array_keys($byTick), $byTick);
        }
        ksort($lanes);

        return new self($lanes);
    }

    /** What is left of it from a tick on, with what holds there. */
    public function from(int $ticks): self
    {
        return $this->each(static function (array $points) use ($ticks): array {
            $held = null;
            $rest = [];
            foreach ($points as [$tick, $value]) {
                if ($tick <= $ticks) {
                    $held = $value;
                } else {
                    $rest[] = [$tick - $ticks, $value];
                }
            }

            return $held === null ? $rest : [[0, $held], ...$rest];
        });
    }

    public function stretched(float $factor): self
    {
        return $this->each(static fn (array $points): array => array_map(static fn (array $p): array => [max(0, Note::whole($p[0] * $factor)), $p[1]], $points));
    }

    /** @param  \Closure(non-empty-list<array{int, int}>): list<array{int, int}>  $make */
    private function each(\Closure $make): self
    {
        $own = new self([]);
        foreach ($this->lanes as $name => $points) {
            $own = $own->with(Lane::parse($name), $make($points));
        }

        return $own;
    }

    /** @return list<array{int, int}> */
    private static function checked(Lane $lane, mixed $points, string $name): array
    {
        if (! is_array($points) || ! array_is_list($points) || count($points) > self::MOST) {
            throw Refusal::parameter($name, $points, self::ALLOWED);
        }
        [$least, $most] = $lane->range();
        $read = [];
        foreach ($points as $point) {
            if (! is_array($point) || ! is_int($point[0] ?? null) || ! is_int($point[1] ?? null) || count($point) !== 2 || $point[0] < 0 || $point[0] > PHP_INT_MAX >> 20 || $point[1] < $least || $point[1] > $most) {
                throw Refusal::parameter($name, $point, "ticks from the start, 0 or more, and a value from $least to $most");
            }
            $read[] = [$point[0], $point[1]];
        }

        return $read;
    }
}

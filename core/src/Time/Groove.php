<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

use Jactonic\Core\Refusal;

/**
 * A feel: for each place in a bar, how far the playing lies off the straight line and how loud it is. Places are the
 * lines of a straight grid, counted from the bar line; in a bar with more of them the list begins anew.
 */
final readonly class Groove
{
    public const ALLOWED = '{"name": text, "grid": a note value, "time": a list of −0.5 to 0.5 cells or null, "velocity": a list, as long, of 1 to 127 or null}';

    /** The most places in a bar. */
    private const MOST = 1024;

    /**
     * @param  list<float|null>  $time  off the line, in cells, below 0 for early; null where nothing was played
     * @param  list<float|null>  $velocity  1–127; null where nothing was played
     */
    public function __construct(public string $name, public Grid $grid, public array $time, public array $velocity)
    {
    }

    /** @throws Refusal that says what a groove holds */
    public static function fromArray(mixed $data, string $parameter = 'groove'): self
    {
        if (! is_array($data) || array_diff(array_keys($data), ['kind', 'name', 'grid', 'time', 'velocity']) !== []
            || ($data['kind'] ?? 'groove') !== 'groove' || ! is_string($data['grid'] ?? null)) {
            throw Refusal::parameter($parameter, $data, self::ALLOWED);
        }
        $name = $data['name'] ?? '';
        if (! is_string($name) || trim($name) === '' || mb_strlen($name) > 80) {
            throw Refusal::parameter("$parameter.name", $name, 'a name of 1 to 80 letters');
        }
        $grid = Grid::parse($data['grid'], "$parameter.grid");
        if ($grid->isBars()) {
            throw Refusal::parameter("$parameter.grid", $grid->name, 'a note value from 1/1 to 1/128');
        }
        $time = self::column($data['time'] ?? null, -0.5, 0.5, "$parameter.time");
        $velocity = self::column($data['velocity'] ?? null, 1, 127, "$parameter.velocity");
        if (count($time) !== count($velocity)) {
            throw Refusal::parameter("$parameter.velocity", count($velocity).' places', 'as many as in time, '.count($time));
        }

        return new self(trim($name), $grid, $time, $velocity);
    }

    public function named(string $name): self
    {
        return new self($name, $this->grid, $this->time, $this->velocity);
    }

    /** @return array{kind: string, name: string, grid: string, time: list<float|null>, velocity: list<float|null>} what `fromArray` reads back */
    public function toArray(): array
    {
        return ['kind' => 'groove', 'name' => $this->name, 'grid' => $this->grid->name, 'time' => $this->time, 'velocity' => $this->velocity];
    }

    /**
     * The place in the bar of a line of the grid.
     *
     * @param  int  $line  a tick on which a straight line stands
     */
    public function place(int $line, Timeline $time): int
    {
        $bar = $time->meters->barAt($line);
        [$n, $d] = $this->grid->cell($time->ppq);

        return (int) round(($line - $bar->start) * $d / $n) % count($this->time);
    }

    /** Where the feel puts what belongs to a line, in ticks with the fraction; never before the song. */
    public function at(int $line, Timeline $time): float
    {
        [$n, $d] = $this->grid->cell($time->ppq);

        return max(0.0, $line + ($this->time[$this->place($line, $time)] ?? 0.0) * $n / $d);
    }

    /** @return list<float|null> */
    private static function column(mixed $list, float $least, float $most, string $parameter): array
    {
        if (! is_array($list) || ! array_is_list($list) || $list === [] || count($list) > self::MOST) {
            throw Refusal::parameter($parameter, $list, 'a list of 1 to '.self::MOST.' numbers or null');
        }

        return array_map(static fn (mixed $x): ?float => match (true) {
            $x === null => null,
            (is_int($x) || is_float($x)) && $x >= $least && $x <= $most => (float) $x,
            default => throw Refusal::parameter($parameter, $x, "numbers from $least to $most, or null"),
        }, $list);
    }
}

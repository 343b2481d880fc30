<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** Points to come: a list of ticks with a value each. */
final class PointList extends Plain
{
    private const MOST = 100_000;

    /** @return non-empty-list<array{int, int}> tick and value, in order of time */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || $value === [] || count($value) > self::MOST) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }
        $points = [];
        foreach ($value as $i => $point) {
            if (! is_array($point) || ! is_int($point[0] ?? null) || ! is_int($point[1] ?? null) || count($point) !== 2 || $point[0] < 0 || $point[0] > Place::LAST) {
                throw Refusal::parameter("{$name}[$i]", $point, 'a tick and a value');
            }
            $points[] = [$point[0], $point[1]];
        }
        usort($points, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $points;
    }

    public function allowed(): string
    {
        return 'a list of [tick, value], one or more';
    }

    public function field(): string
    {
        return 'points';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;

/** A whole number, or the least and the most, both of which belong to it: 60, {"min": 48}, {"min": 48, "max": 60}. */
final class Range
{
    public static function takes(mixed $value): bool
    {
        if (is_int($value)) {
            return true;
        }
        if (! is_array($value) || $value === [] || array_diff(array_keys($value), ['min', 'max']) !== []) {
            return false;
        }

        return is_int($value['min'] ?? 0) && is_int($value['max'] ?? 0);
    }

    /** Whether the least is above the most. */
    public static function isEmpty(mixed $value): bool
    {
        return is_array($value) && is_int($value['min'] ?? null) && is_int($value['max'] ?? null) && $value['min'] > $value['max'];
    }

    public static function holds(mixed $range, int $x): bool
    {
        return is_array($range) ? $x >= ($range['min'] ?? PHP_INT_MIN) && $x <= ($range['max'] ?? PHP_INT_MAX) : $x === $range;
    }

    /**
     * The least and the most.
     *
     * @return array{int, int}
     *
     * @throws Refusal
     */
    public static function ends(mixed $range, string $name): array
    {
        if (! self::takes($range)) {
            throw Refusal::parameter("pick.$name", $range, 'a whole number or {"min", "max"}');
        }
        $ends = is_array($range) ? [$range['min'] ?? PHP_INT_MIN, $range['max'] ?? PHP_INT_MAX] : [$range, $range];

        return is_int($ends[0]) && is_int($ends[1]) && $ends[0] <= $ends[1] ? $ends : throw Refusal::parameter("pick.$name", $range, 'a least that is not above the most');
    }
}

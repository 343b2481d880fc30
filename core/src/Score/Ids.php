<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Ids as they lie packed, 32 bits each, ascending. */
final class Ids
{
    /** Where an id lies; null where it is not there. */
    public static function find(int $id, string $ids): ?int
    {
        [$low, $high] = [0, (strlen($ids) >> 2) - 1];
        while ($low <= $high) {
            $middle = ($low + $high) >> 1;
            $there = unpack('V', $ids, $middle << 2)[1] ?? 0;
            if ($there === $id) {
                return $middle;
            }
            $there < $id ? $low = $middle + 1 : $high = $middle - 1;
        }

        return null;
    }

    /** Where a new id belongs among those that are there. */
    public static function placeFor(int $id, string $ids): int
    {
        $last = intdiv(strlen($ids), 4);
        // Mostly at the end: ids are given in order.
        while ($last > 0 && (unpack('V', $ids, ($last - 1) * 4)[1] ?? 0) > $id) {
            $last--;
        }

        return $last;
    }
}

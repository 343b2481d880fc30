<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Ids: as they lie packed, 32 bits each, ascending; and as they are written, with those that follow one another as a pair. */
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

    /** @param  list<int>  $ids */
    public static function areAscending(array $ids): bool
    {
        $last = PHP_INT_MIN;
        foreach ($ids as $id) {
            if ($id < $last) {
                return false;
            }
            $last = $id;
        }

        return true;
    }

    /**
     * Ids in few words: three or more that follow one another are a pair of the first and the last.
     *
     * @param  list<int>  $ids
     * @return list<int|array{int, int}>
     */
    public static function runs(array $ids): array
    {
        $runs = [];
        $count = count($ids);
        for ($i = 0; $i < $count; $i = $end) {
            $end = $i + 1;
            while ($end < $count && $ids[$end] === $ids[$end - 1] + 1) {
                $end++;
            }
            if ($end - $i > 2) {
                $runs[] = [$ids[$i], $ids[$end - 1]];
            } else {
                array_push($runs, ...array_slice($ids, $i, $end - $i));
            }
        }

        return $runs;
    }

    /**
     * The ids that `runs` wrote.
     *
     * @param  list<int|array{int, int}>  $runs
     * @return list<int>
     */
    public static function spread(array $runs): array
    {
        $ids = [];
        foreach ($runs as $run) {
            if (is_int($run)) {
                $ids[] = $run;
            } else {
                array_push($ids, ...range($run[0], $run[1]));
            }
        }

        return $ids;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** Finds places in lists that are in order. */
final class Search
{
    /**
     * Index of the last value that is not above another; 0 where all are.
     *
     * @param  list<int>  $values  ascending
     * @return int<0, max>
     */
    public static function last(array $values, int|float $wanted): int
    {
        // Mostly there are one or two.
        $high = count($values) - 1;
        $low = 0;
        while ($low < $high) {
            $middle = ($low + $high + 1) >> 1;
            if ($values[$middle] <= $wanted) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return max(0, $low);
    }
}

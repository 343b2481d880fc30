<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

/**
 * A part that loops, cut at places: pieces that sound together as it did. A piece that begins within a round holds the rest
 * of it; the rounds after it loop as before.
 */
final class LoopPieces
{
    /**
     * @param  int  $from  first tick of the window
     * @param  int  $to  the tick after its last
     * @param  int  $until  tick at which the last round stops; $to of a part that does not loop
     * @param  list<int>  $cuts  ascending, after $from and before $until
     * @return list<array{from: int, to: int, later: int, until: int}> windows, how much later each is than what it holds of the part, and
     *                                                                 up to where it loops, 0 where it does not
     */
    public static function of(int $from, int $to, int $until, array $cuts): array
    {
        $length = $to - $from;
        $pieces = [];
        foreach ([$from, ...$cuts] as $i => $start) {
            $end = $cuts[$i] ?? $until;
            $round = $start - ($start - $from) % $length;
            if ($round < $start) {
                $pieces[] = ['from' => $start, 'to' => min($round + $length, $end), 'later' => $round - $from, 'until' => 0];
                $round += $length;
            }
            if ($round < $end) {
                $pieces[] = ['from' => $round, 'to' => min($round + $length, $end), 'later' => $round - $from, 'until' => $end > $round + $length ? $end : 0];
            }
        }

        return $pieces;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Time\Timeline;

/**
 * How far apart the starts of one chord may lie, read from the starts of a take itself. The distances between starts that
 * follow one another are short within chords, and long from one chord to the next: the window lies in the widest gap
 * between them, by ratio, from 15 to 120 ms. Where there is no clear gap it is 30 ms: a strum is mostly shorter.
 */
final class GatherWindow
{
    /** In milliseconds. */
    public const UNCLEAR = 30.0;

    public const LEAST = 15.0;

    public const MOST = 120.0;

    /** By how much the part of a gap from 15 to 120 ms has to be longer at its end than where it begins. */
    private const CLEAR = 1.5;

    /** Where in the gap the window lies: near to the long distances, since several short ones make a chord. */
    private const SHARE = 0.75;

    /**
     * @param  list<int>  $starts  in ticks, in any order
     * @return float milliseconds, 15 to 120
     */
    public static function of(array $starts, Timeline $time): float
    {
        sort($starts);
        $one = count($time->tempoRows) <= 1 && $starts !== [] ? $time->tempos->milliseconds(0, $time->ppq) / $time->ppq : null;
        $distances = [];
        for ($i = 1, $count = count($starts); $i < $count; $i++) {
            $distance = $one === null ? $time->tempos->milliseconds($starts[$i - 1], $starts[$i]) : ($starts[$i] - $starts[$i - 1]) * $one;
            $distances[(string) round($distance, 1)] = $distance;
        }
        sort($distances);
        $widest = 0.0;
        $window = self::UNCLEAR;
        for ($i = 1, $count = count($distances); $i < $count; $i++) {
            $ratio = $distances[$i] / max(1.0, $distances[$i - 1]);
            if ($ratio > $widest && self::within($distances[$i]) > self::CLEAR * self::within($distances[$i - 1])) {
                [$widest, $window] = [$ratio, max($distances[$i - 1], min(self::MOST, self::SHARE * $distances[$i]))];
            }
        }

        return max(self::LEAST, $window);
    }

    private static function within(float $milliseconds): float
    {
        return max(self::LEAST, min(self::MOST, $milliseconds));
    }
}

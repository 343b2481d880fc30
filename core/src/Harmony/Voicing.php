<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

/** How the tones of chords lie, one chord after another. */
final class Voicing
{
    /**
     * The pitches of a chord so that its voices move least from those before, voice to voice, over all inversions and
     * octaves; of two as near the one whose further voices lie nearest, then the lower inversion.
     *
     * @param  list<int>  $before  pitches that it comes from, from below
     * @param  int  $low  no note under it
     * @return list<int>
     */
    public static function near(Chord $chord, array $before, int $low): array
    {
        $best = null;
        for ($inversion = 0; $inversion < count($chord->intervals); $inversion++) {
            foreach ([0, 12, -12, 24] as $octave) {
                $pitches = array_map(static fn (int $p): int => $p + $octave, $chord->pitches($low, $inversion));
                if ($pitches[0] < $low || $pitches[count($pitches) - 1] > 127) {
                    continue;
                }
                $way = self::way($before, $pitches);
                if ($best === null || $way < $best[0]) {
                    $best = [$way, $pitches];
                }
            }
        }

        return $best[1] ?? $chord->pitches($low);
    }

    /**
     * Opened: so many times the second from above goes down an octave.
     *
     * @param  list<int>  $pitches
     * @return list<int> in the order in which they came
     */
    public static function opened(array $pitches, int $times): array
    {
        for ($i = 0; $i < $times; $i++) {
            $order = array_keys($pitches);
            usort($order, static fn (int $a, int $b): int => $pitches[$b] <=> $pitches[$a]);
            if (isset($order[1])) {
                $pitches[$order[1]] -= 12;
            }
        }

        return array_values($pitches);
    }

    /**
     * How far voices move together where each goes to one of its own, the cheapest way: in order, since voices that cross
     * never move less. Where they are more on one side, those that nothing goes to are as far as their nearest.
     *
     * @param  list<int>  $from
     * @param  list<int>  $to
     * @return array{int, int} semitones of those that move, and of those that come or go
     */
    public static function way(array $from, array $to): array
    {
        [$few, $many] = count($from) <= count($to) ? [$from, $to] : [$to, $from];
        sort($few);
        sort($many);
        if ($few === []) {
            return [0, 0];
        }
        $nearest = array_map(static fn (int $q): int => min(array_map(static fn (int $p): int => abs($p - $q), $few)), $many);
        // The least of the first so many of the few among the first so many of the many.
        $least = array_fill(0, count($few) + 1, null);
        $least[0] = [0, 0];
        foreach ($many as $j => $pitch) {
            for ($i = min($j + 1, count($few)); $i >= 0; $i--) {
                $left = $least[$i] === null ? null : [$least[$i][0], $least[$i][1] + $nearest[$j]];
                $taken = $i === 0 || $least[$i - 1] === null ? null : [$least[$i - 1][0] + abs($few[$i - 1] - $pitch), $least[$i - 1][1]];
                $least[$i] = $left === null || ($taken !== null && $taken < $left) ? $taken : $left;
            }
        }

        return $least[count($few)] ?? [0, 0];
    }
}

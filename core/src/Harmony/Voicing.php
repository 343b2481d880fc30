<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

/** How the tones of chords lie, one chord after another. */
final class Voicing
{
    /**
     * The pitches of a chord so that its voices move least from those before: over all inversions, an octave down to one
     * up; of two as near the lower inversion.
     *
     * @param  list<int>  $before  pitches that it comes from, from below
     * @param  int  $low  no note under it
     * @return list<int>
     */
    public static function near(Chord $chord, array $before, int $low): array
    {
        $best = null;
        for ($inversion = 0; $inversion < count($chord->intervals); $inversion++) {
            foreach ([0, 12, -12] as $octave) {
                $pitches = array_map(static fn (int $p): int => $p + $octave, $chord->pitches($low, $inversion));
                if ($pitches[0] < $low || $pitches[count($pitches) - 1] > 127) {
                    continue;
                }
                $way = self::way($pitches, $before) + self::way($before, $pitches);
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
     * How far each of some voices is from the nearest of others, together.
     *
     * @param  list<int>  $from
     * @param  list<int>  $to
     */
    private static function way(array $from, array $to): int
    {
        return array_sum(array_map(static fn (int $p): int => $to === [] ? 0 : min(array_map(static fn (int $q): int => abs($p - $q), $to)), $from));
    }
}

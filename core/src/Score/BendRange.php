<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Standard\Message;

/** How far a bend reaches on a channel, as the registered parameter 0 says it; two semitones where nothing does. */
final class BendRange
{
    public const CENTS = 200;

    /** @param  iterable<Point>  $points  of the channel, in order */
    public static function of(iterable $points, int $channel): int
    {
        $cents = self::CENTS;
        $chosen = [127, 127];
        foreach ($points as $point) {
            if ($point->status !== (Message::CONTROLLER | $channel)) {
                continue;
            }
            if ($point->data1 === 101 || $point->data1 === 100) {
                $chosen[101 - $point->data1] = $point->data2;
            } elseif ($point->data1 === 6 && $chosen === [0, 0]) {
                $cents = $point->data2 * 100;
            } elseif ($point->data1 === 38 && $chosen === [0, 0]) {
                $cents = intdiv($cents, 100) * 100 + min(99, $point->data2);
            }
        }

        return max(1, $cents);
    }
}

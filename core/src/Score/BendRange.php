<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Standard\Message;

/** How far a bend reaches on a channel, as the registered parameter 0 says it; two semitones where nothing does. */
final class BendRange
{
    public const CENTS = 200;

    /** In a part as a whole: what the last of its points says. */
    public static function ofPart(Part $part, int $channel): int
    {
        // Hardly any part says it: that is seen without its points being made.
        return in_array(101, $part->points->integers('data1'), true) ? self::of(self::ordered($part), $channel) : self::CENTS;
    }

    /**
     * Points that say the range on a channel: what chooses the parameter, and its value.
     *
     * @return list<Point>
     */
    public static function points(Part $part, int $channel): array
    {
        $chosen = [127, 127];
        $found = [];
        foreach (self::ordered($part) as $point) {
            if ($point->status !== (Message::CONTROLLER | $channel)) {
                continue;
            }
            if ($point->data1 === 101 || $point->data1 === 100) {
                $chosen[101 - $point->data1] = $point->data2;
            }
            if ($chosen === [0, 0] && in_array($point->data1, [6, 38], true)) {
                $found[] = $point;
            }
        }

        return $found;
    }

    /** @return list<Point> in order of time */
    private static function ordered(Part $part): array
    {
        $points = array_values($part->points->all());
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);

        return $points;
    }

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

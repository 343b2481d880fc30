<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Standard\Message;

/** What holds where a part ends: a pedal that is down, a bend that is bent. A part of a file, whose window nobody set, keeps it. */
final class ReleaseAtEnd
{
    /** Sustain, sostenuto, soft pedal, hold: down from 64 on. */
    public const PEDALS = [64, 66, 67, 69];

    private const DOWN = 64;

    private const STRAIGHT = [0, 64];

    public static function is(PartHead $head): bool
    {
        return $head->releasesAtEnd && ! $head->muted && $head->to !== PartHead::OPEN;
    }

    /** Whether a point lets a pedal go, or a bend back to straight. */
    public static function frees(Point $point): bool
    {
        return match ($point->status & 0xF0) {
            Message::BEND => [$point->data1, $point->data2] === self::STRAIGHT,
            Message::CONTROLLER => in_array($point->data1, self::PEDALS, true) && $point->data2 < self::DOWN,
            default => false,
        };
    }

    /**
     * @param  iterable<Point>  $points  all that are heard before
     * @return list<Point> one for each that holds, with ids below 0
     */
    public static function after(iterable $points, int $tick): array
    {
        $last = [];
        foreach ($points as $point) {
            $kind = $point->status & 0xF0;
            if ($kind === Message::BEND || ($kind === Message::CONTROLLER && in_array($point->data1, self::PEDALS, true))) {
                $key = $point->status << 7 | ($kind === Message::BEND ? 0 : $point->data1);
                if (! isset($last[$key]) || $point->tick >= $last[$key]->tick) {
                    $last[$key] = $point;
                }
            }
        }
        ksort($last);
        $free = [];
        foreach ($last as $point) {
            $isBend = ($point->status & 0xF0) === Message::BEND;
            if ($isBend ? [$point->data1, $point->data2] !== self::STRAIGHT : $point->data2 >= self::DOWN) {
                $free[] = $isBend ? new Point(-1, $tick, $point->status, ...self::STRAIGHT) : new Point(-1, $tick, $point->status, $point->data1, 0);
            }
        }

        // Order at one tick is order of id.
        return array_map(static fn (Point $p, int $i): Point => $p->copiedAs($i - count($free)), $free, array_keys($free));
    }
}

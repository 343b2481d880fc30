<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\Part;

/** What the pedal (controller 64) of a part holds. */
final class SustainedState
{
    private const PEDAL = 64;

    private const DOWN = 64;

    /**
     * The stretches in which it is down, by channel; the last has PHP_INT_MAX as its end where it stays down.
     *
     * @return array<int, list<array{int, int}>> ticks, ascending
     */
    public static function stretches(Part $part): array
    {
        $points = $part->shownPoints();
        usort($points, static fn ($a, $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);
        $down = $stretches = [];
        foreach ($points as $point) {
            if (($point->status & 0xF0) !== 0xB0 || $point->data1 !== self::PEDAL) {
                continue;
            }
            $channel = $point->status & 0x0F;
            if ($point->data2 >= self::DOWN) {
                $down[$channel] ??= $point->tick;
            } elseif (isset($down[$channel])) {
                $stretches[$channel][] = [$down[$channel], $point->tick];
                unset($down[$channel]);
            }
        }
        foreach ($down as $channel => $tick) {
            $stretches[$channel][] = [$tick, PHP_INT_MAX];
        }

        return $stretches;
    }
}

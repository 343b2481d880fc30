<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;

/**
 * The points of a lane as selection commands look at notes: each starts at its tick, and its value, as a share of what the
 * lane can hold, is its row and its loudness. The ids are those of the points.
 */
final class LanePoints
{
    /** The points of a lane that lie in the part’s window, as a part of notes with the same head and settings. */
    public static function asNotes(Part $part, Lane $lane): Part
    {
        $notes = [];
        foreach (self::of($part, $lane) as $point) {
            $share = self::share($lane, $point);
            $notes[] = new Note($point->id, $point->tick, 1, $share, $share, channel: $point->status & 0x0F);
        }

        return Part::of($part->id, $part->name, $notes, [], $part->ownSettings(), $part->head);
    }

    /** @return list<Point> those in the part’s window, in order of time */
    public static function of(Part $part, Lane $lane): array
    {
        $points = array_values(array_filter($part->shownPoints(), $lane->holds(...)));
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);

        return $points;
    }

    /** A value as 0 to 127. */
    private static function share(Lane $lane, Point $point): int
    {
        [$least, $most] = $lane->range();

        return (int) round(($lane->value($point) - $least) * 127 / ($most - $least));
    }
}

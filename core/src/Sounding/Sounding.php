<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;

/**
 * From a part to what is heard of it. The exporter writes this and the player plays it; nobody else decides what
 * sounds. What starts inside the window sounds, and is cut at its end; muted notes and parts do not.
 */
final class Sounding
{
    /**
     * The tick up to which a note sounds; 0 where it does not.
     */
    public static function until(Note $note, PartHead $head): int
    {
        return $note->muted || $head->muted || ! $head->holds($note->start) ? 0 : min($note->end(), $head->to);
    }

    public static function isHeard(Point $point, PartHead $head): bool
    {
        return ! $head->muted && $head->holds($point->tick);
    }

    /**
     * The notes that sound, as long as they do.
     *
     * @return list<Note> by id
     */
    public static function notes(Part $part): array
    {
        $heard = [];
        foreach ($part->notes->all() as $note) {
            $until = self::until($note, $part->head);
            if ($until > 0) {
                $heard[] = $until === $note->end() ? $note : $note->piece($note->start, $until, $note->id);
            }
        }

        return $heard;
    }

    /** @return list<Point> the points that are heard, by id */
    public static function points(Part $part): array
    {
        return array_values(array_filter($part->points->all(), static fn (Point $p): bool => self::isHeard($p, $part->head)));
    }
}

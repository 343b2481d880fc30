<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;

/** Overlapping means one thing everywhere: a note sounds into another of its pitch and channel. */
final class Overlaps
{
    /**
     * The notes that sound into another, or another into them.
     *
     * @param  list<Note>  $notes  in order of start
     * @return array<int, true> by id
     */
    public static function ids(array $notes): array
    {
        $ids = [];
        $sounding = [];
        foreach ($notes as $note) {
            $row = $note->channel << 7 | $note->pitch;
            $before = $sounding[$row] ?? null;
            if ($before !== null && $before->end() > $note->start) {
                $ids[$before->id] = $ids[$note->id] = true;
            }
            if ($before === null || $before->end() < $note->end()) {
                $sounding[$row] = $note;
            }
        }

        return $ids;
    }

    /**
     * The stretches in which a note sounds into a later one, muted ones left out.
     *
     * @param  list<Note>  $notes  in order of start
     * @return list<array{int, int, int}> first tick, the one after the last, pitch
     */
    public static function stretches(array $notes): array
    {
        $stretches = $ends = [];
        foreach ($notes as $note) {
            if ($note->muted) {
                continue;
            }
            $row = $note->channel << 7 | $note->pitch;
            $until = min($ends[$row] ?? 0, $note->end());
            if ($until > $note->start) {
                $stretches[] = [$note->start, $until, $note->pitch];
            }
            $ends[$row] = max($ends[$row] ?? 0, $note->end());
        }

        return $stretches;
    }
}

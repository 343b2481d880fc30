<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Cuts notes at the edges of a stretch of time. */
final class Cut
{
    /**
     * What sounds from one tick up to another; notes that cross are cut there.
     *
     * @param  list<Note>  $notes
     * @return list<Note>
     */
    public static function inside(array $notes, int $from, int $to): array
    {
        $inside = [];
        foreach ($notes as $note) {
            if ($note->start < $to && $note->end() > $from) {
                $inside[] = $note->piece(max($from, $note->start), min($to, $note->end()), $note->id);
            }
        }

        return $inside;
    }
}

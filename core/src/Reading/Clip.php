<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Lines;

/** What is carried away to be put in elsewhere. */
final class Clip
{
    /**
     * Notes as `insert` takes them, and their anchor: the place among them that goes where they are put, a span's start
     * or the line of the grid nearest to the first. So a phrase that lies a little off the line does so again.
     *
     * @param  list<Note>  $notes
     * @param  array{int, int}|null  $span  with a span, they are cut at its edges
     * @return array{notes: list<array<string, int>>, anchor: int, length: int} the length up to the span's end, or the last end
     */
    public static function of(array $notes, Lines $lines, ?array $span = null): array
    {
        if ($span !== null) {
            $notes = self::inside($notes, ...$span);
        }
        $starts = array_map(static fn (Note $n): int => $n->start, $notes);
        $ends = array_map(static fn (Note $n): int => $n->end(), $notes);
        $anchor = $span[0] ?? ($starts === [] ? 0 : $lines->nearest(min($starts)));

        return [
            'notes' => array_map(static fn (Note $n): array => [
                'start' => $n->start, 'length' => $n->length, 'pitch' => $n->pitch, 'velocity' => $n->velocity, 'release' => $n->release,
                'muted' => (int) $n->muted, 'group' => $n->group, 'channel' => $n->channel, 'driftStart' => $n->driftStart, 'driftLength' => $n->driftLength,
            ], $notes),
            'anchor' => $anchor,
            'length' => max(0, ($span[1] ?? ($ends === [] ? 0 : max($ends))) - $anchor),
        ];
    }

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
                $inside[] = self::piece($note, max($from, $note->start), min($to, $note->end()), $note->id);
            }
        }

        return $inside;
    }

    /** A piece of a note. An edge that is the note's own keeps how it was played; one that was cut was played nowhere else. */
    public static function piece(Note $note, int $from, int $to, int $id): Note
    {
        $first = $from === $note->start;
        $last = $to === $note->end();

        return new Note($id, $from, $to - $from, $note->pitch, $note->velocity, $last ? $note->release : Note::RELEASE, $note->muted, $note->group, $note->channel,
            $first ? $note->driftStart : 0, $first && $last ? $note->driftLength : 0, $first ? $note->carryStart : 0.0, $last ? $note->carryLength : 0.0);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/** Finds chords: groups of notes whose starts lie within the gather window of the group's first. */
final class Chords
{
    /** Gather window in milliseconds where none is given; a strum is mostly shorter. */
    public const GATHER = 30.0;

    /**
     * @param  list<Note>  $notes  in order of start
     * @return list<list<Note>> the chords in order, each from the lowest note up
     */
    public static function of(array $notes, Timeline $time, float $gather = self::GATHER): array
    {
        $chords = [];
        $chord = [];
        $limit = -INF;
        foreach ($notes as $note) {
            if ($chord !== [] && $note->start > $limit) {
                $chords[] = $chord;
                $chord = [];
            }
            if ($chord === []) {
                // A hair of room, so that a start exactly at the window's edge belongs to it.
                $limit = $time->tempos->shift($note->start, $gather) + 1e-7;
            }
            $chord[] = $note;
        }
        if ($chord !== []) {
            $chords[] = $chord;
        }
        foreach ($chords as &$one) {
            usort($one, static fn (Note $a, Note $b): int => $a->pitch <=> $b->pitch ?: $a->id <=> $b->id);
        }

        return $chords;
    }

    /**
     * The notes of the first chord of each run of one chord: the same pitches, octaves as they are.
     *
     * @param  list<Note>  $notes  in order of start
     * @return list<int> their ids
     */
    public static function changes(array $notes, Timeline $time, float $gather = self::GATHER): array
    {
        $ids = $before = [];
        foreach (self::of($notes, $time, $gather) as $chord) {
            $pitches = array_values(array_unique(array_map(static fn (Note $n): int => $n->pitch, $chord)));
            if ($pitches !== $before) {
                array_push($ids, ...array_map(static fn (Note $n): int => $n->id, $chord));
            }
            $before = $pitches;
        }

        return $ids;
    }

    /** @param  list<Note>  $chord */
    public static function start(array $chord): int
    {
        return array_reduce($chord, static fn (int $least, Note $n): int => min($least, $n->start), PHP_INT_MAX);
    }

    /**
     * The notes of the first chord in each cell of a grid, by the places that the chords were meant for (see Timeline::early).
     *
     * @param  list<Note>  $notes  in order of start
     * @return list<int> their ids
     */
    public static function firstOfEach(array $notes, Lines $each, Timeline $time, float $gather = self::GATHER): array
    {
        $ids = $taken = [];
        foreach (self::of($notes, $time, $gather) as $chord) {
            [$cell] = $each->around(self::start($chord) + $time->early());
            if (! isset($taken[$cell])) {
                $taken[$cell] = true;
                array_push($ids, ...array_map(static fn (Note $n): int => $n->id, $chord));
            }
        }

        return $ids;
    }
}

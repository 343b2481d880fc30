<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/**
 * Finds chords: groups of notes whose starts lie within the gather window of the group's first. The window is a number of
 * milliseconds, or the part whose own starts say it (GatherWindow); then a note that comes after 30 ms belongs to a chord
 * only while the chord's first note sounds, and is another pitch.
 */
final class Chords
{
    /** @var \WeakMap<Part, array{Timeline, float}>|null the windows of parts that were read */
    private static ?\WeakMap $windows = null;

    /**
     * @param  list<Note>  $notes  in order of start
     * @param  Part|float  $gather  milliseconds, or the part that says them
     * @return list<list<Note>> the chords in order, each from the lowest note up
     */
    public static function of(array $notes, Timeline $time, Part|float $gather): array
    {
        $window = $gather instanceof Part ? self::window($gather, $time) : $gather;
        $strict = $gather instanceof Part ? min($window, GatherWindow::UNCLEAR) : $window;
        $chords = $chord = $pitches = [];
        $limit = $sure = -INF;
        foreach ($notes as $note) {
            if ($chord !== [] && ($note->start > $limit || ($note->start > $sure && (isset($pitches[$note->pitch]) || $chord[0]->end() <= $note->start)))) {
                $chords[] = $chord;
                $chord = $pitches = [];
            }
            if ($chord === []) {
                // A hair of room, so that a start exactly at the window's edge belongs to it.
                $limit = $time->tempos->shift($note->start, $window) + 1e-7;
                $sure = $window === $strict ? $limit : $time->tempos->shift($note->start, $strict) + 1e-7;
            }
            $chord[] = $note;
            $pitches[$note->pitch] = true;
        }
        if ($chord !== []) {
            $chords[] = $chord;
        }
        foreach ($chords as &$one) {
            usort($one, static fn (Note $a, Note $b): int => $a->pitch <=> $b->pitch ?: $a->id <=> $b->id);
        }

        return $chords;
    }

    /** The gather window of a part, in milliseconds. */
    public static function window(Part $part, Timeline $time): float
    {
        self::$windows ??= new \WeakMap;
        $known = self::$windows[$part] ?? null;
        if ($known === null || $known[0] !== $time) {
            $known = self::$windows[$part] = [$time, GatherWindow::of($part->notes->integers('start'), $time)];
        }

        return $known[1];
    }

    /**
     * The notes of the first chord of each run of one chord: the same pitches, octaves as they are.
     *
     * @param  list<Note>  $notes  in order of start
     * @return list<int> their ids
     */
    public static function changes(array $notes, Timeline $time, Part|float $gather): array
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
    public static function firstOfEach(array $notes, Lines $each, Timeline $time, Part|float $gather): array
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

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Timeline;

/**
 * From what is selected to what stands beside it in time, by chords: from a whole chord to the whole chord beside it, from
 * one of its notes to the nearest voice there. However it was strummed, a chord is one step.
 */
final class Walk
{
    /**
     * The ids of the notes that a step leads to; at the end, of those from which there is no further step.
     *
     * @param  list<Note>  $ordered  of one part, in order
     * @param  array<int, true>  $chosen  by id
     * @param  int  $near  tick from which it looks when nothing is selected
     * @param  int|null  $row  pitch from which it looks then; null for the first note that comes
     * @param  int  $way  1 later, −1 earlier
     * @param  Part|float  $gather  what says which notes start together, as `Chords::of` takes it
     * @return list<int>
     */
    public static function beside(array $ordered, array $chosen, int $near, ?int $row, int $way, Timeline $time, Part|float $gather): array
    {
        if ($ordered === []) {
            return [];
        }
        $chords = Chords::of($ordered, $time, $gather);
        $places = array_keys(array_filter($chords, static fn (array $c): bool => self::those($c, $chosen) !== []));
        if ($places === []) {
            return self::from($ordered, $chords, $near, $row, $way);
        }
        $at = $way > 0 ? max($places) : min($places);
        $those = self::those($chords[$at], $chosen);
        $target = $chords[$at + $way] ?? null;
        if ($target === null) {
            return self::ids($those);
        }
        if (count($those) > 1 && count($those) === count($chords[$at])) {
            return self::ids($target);
        }

        return array_values(array_unique(array_map(static fn (Note $n): int => self::nearest($target, $n->pitch)->id, $those)));
    }

    /**
     * Each selected note gives way to its neighbour in the same chord; the outermost stays.
     *
     * @param  list<list<Note>>  $chords
     * @param  list<int>  $ids  of the selected notes
     * @param  int  $way  1 higher, −1 lower
     * @return list<int>
     */
    public static function within(array $chords, array $ids, int $way): array
    {
        $selected = array_fill_keys($ids, true);
        $moved = [];
        foreach ($chords as $chord) {
            foreach ($chord as $i => $note) {
                if (isset($selected[$note->id])) {
                    $moved[$chord[max(0, min(count($chord) - 1, $i + $way))]->id] = true;
                }
            }
        }

        return $moved === [] ? $ids : array_keys($moved);
    }

    /**
     * The notes of the chord that starts nearest to a tick; none where there are none.
     *
     * @param  list<list<Note>>  $chords
     * @return list<int>
     */
    public static function chordAt(array $chords, int $tick): array
    {
        $nearest = null;
        foreach ($chords as $chord) {
            $distance = abs(Chords::start($chord) - $tick);
            if ($nearest === null || $distance < $nearest[0]) {
                $nearest = [$distance, $chord];
            }
        }

        return $nearest === null ? [] : self::ids($nearest[1]);
    }

    /**
     * @param  list<Note>  $ordered
     * @param  list<list<Note>>  $chords
     * @return list<int>
     */
    private static function from(array $ordered, array $chords, int $near, ?int $row, int $way): array
    {
        $ahead = static fn (Note $n): bool => $way > 0 ? $n->start >= $near : $n->start < $near;
        $there = array_values(array_filter($ordered, $ahead));
        if ($there === []) {
            return [$way > 0 ? $ordered[count($ordered) - 1]->id : $ordered[0]->id];
        }
        $first = $way > 0 ? $there[0] : $there[count($there) - 1];
        if ($row === null) {
            return [$first->id];
        }
        foreach ($chords as $chord) {
            if (in_array($first, $chord, true)) {
                return [self::nearest(array_values(array_filter($chord, $ahead)), $row)->id];
            }
        }

        return [$first->id];
    }

    /**
     * @param  list<Note>  $chord  not empty, from below
     */
    private static function nearest(array $chord, int $pitch): Note
    {
        return array_reduce($chord, static fn (Note $best, Note $n): Note => abs($n->pitch - $pitch) < abs($best->pitch - $pitch) ? $n : $best, $chord[0]);
    }

    /**
     * @param  list<Note>  $chord
     * @param  array<int, true>  $chosen
     * @return list<Note>
     */
    private static function those(array $chord, array $chosen): array
    {
        return array_values(array_filter($chord, static fn (Note $n): bool => isset($chosen[$n->id])));
    }

    /**
     * @param  list<Note>  $notes
     * @return list<int>
     */
    private static function ids(array $notes): array
    {
        return array_map(static fn (Note $n): int => $n->id, $notes);
    }
}

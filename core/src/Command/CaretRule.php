<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/** The caret goes with the work: to what was newly selected, along with the note it stands on, to the place of what went. */
final class CaretRule
{
    /**
     * Where the caret comes to by a command; null where it stays.
     *
     * @param  Change  $change  what the command did
     * @param  Selection|null  $before  what was selected before it; null where all that is selected counts as new
     * @param  Score  $score  as the command left it
     * @param  array{int, int|null}|null  $caret  tick and pitch where it stood
     * @return array{int, int}|null tick and pitch
     */
    public static function place(Change $change, ?Selection $before, Selection $after, Score $score, ?array $caret): ?array
    {
        foreach ($after->notes as $id => $ids) {
            if ($ids === [] || ! isset($score->parts[$id])) {
                continue;
            }
            $old = $before->notes[$id] ?? [];
            if ($ids !== $old) {
                // What is taken in is where one is; pieces and copies begin where the first of them does.
                $new = $old === [] || ! $change->isEmpty() ? $ids : array_keys(array_diff_key(array_fill_keys($ids, true), array_fill_keys($old, true)));

                return self::of(self::first($score->parts[$id], $new === [] ? $ids : $new));
            }

            return $caret === null ? null : self::along($change, $id, $caret);
        }

        return self::gone($change);
    }

    /**
     * Where the note went that the caret stood on.
     *
     * @param  array{int, int|null}  $caret
     * @return array{int, int}|null
     */
    private static function along(Change $change, int $part, array $caret): ?array
    {
        $changed = $change->parts[$part] ?? null;
        if ($changed === null) {
            return null;
        }
        $starts = $changed->notes->integers('start');
        $pitches = $changed->notes->integers('pitch');
        foreach ($starts[0] as $i => $start) {
            if ($start === $caret[0] && $pitches[0][$i] === $caret[1]) {
                return [$starts[1][$i], $pitches[1][$i]];
            }
        }

        return null;
    }

    /**
     * The place of the first note that is no more.
     *
     * @return array{int, int}|null
     */
    private static function gone(Change $change): ?array
    {
        $first = null;
        foreach ($change->parts as $changed) {
            foreach ($changed->notes->going() as $note) {
                $first = $first === null || self::isBefore($note, $first) ? $note : $first;
            }
        }

        return $first === null ? null : self::of($first);
    }

    /** @param  non-empty-list<int>  $ids */
    private static function first(Part $part, array $ids): Note
    {
        $first = $part->notes[$ids[0]];
        foreach ($ids as $id) {
            $note = $part->notes[$id];
            $first = self::isBefore($note, $first) ? $note : $first;
        }

        return $first;
    }

    private static function isBefore(Note $a, Note $b): bool
    {
        return $a->start < $b->start || ($a->start === $b->start && $a->pitch < $b->pitch);
    }

    /** @return array{int, int} */
    private static function of(Note $note): array
    {
        return [$note->start, $note->pitch];
    }
}

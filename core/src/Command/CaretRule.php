<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;

/**
 * The caret stays where a person put it. It goes along with walking from note to note, with notes that are put in, and to the
 * place of those that are deleted; nothing else moves it, least of all that something else is selected.
 */
final class CaretRule
{
    /**
     * Where the caret comes to by a command; null where it stays.
     *
     * @param  Change  $change  what the command did
     * @param  Selection|null  $before  what was selected before it; null where that is not known
     * @param  Score  $score  as the command left it
     * @param  bool  $walks  whether the command walks from note to note
     * @param  int|null  $row  pitch of the caret, which walking from point to point leaves as it is
     * @return array{int, int}|null tick and pitch
     */
    public static function place(Change $change, ?Selection $before, Selection $after, Score $score, bool $walks, ?int $row = null): ?array
    {
        $point = $walks && $row !== null ? self::walkedToPoint($before, $after, $score) : null;
        if ($point !== null) {
            return [$point, $row];
        }
        foreach ($after->notes as $id => $ids) {
            if ($ids === [] || ! isset($score->parts[$id])) {
                continue;
            }
            $new = match (true) {
                $walks => self::walkedTo($ids, $before->notes[$id] ?? []),
                self::areNew($ids, $change, $id) => $ids,
                default => [],
            };

            return $new === [] ? null : self::of(self::first($score->parts[$id], $new));
        }

        return self::gone($change);
    }

    /**
     * The notes that walking came to: those that were not selected before, else those that it left selected of several.
     *
     * @param  non-empty-list<int>  $ids
     * @param  list<int>  $old
     * @return list<int> none where it led nowhere
     */
    private static function walkedTo(array $ids, array $old): array
    {
        $new = array_values(array_diff($ids, $old));

        return $new === [] && $ids !== $old ? $ids : $new;
    }

    /** The tick of the first point that walking came to; null where it led to none. */
    private static function walkedToPoint(?Selection $before, Selection $after, Score $score): ?int
    {
        $ticks = [];
        foreach ($after->points as $id => $lanes) {
            foreach (array_filter($lanes) as $lane => $ids) {
                array_push($ticks, ...$score->part($id)->points->integers('tick', self::walkedTo($ids, $before->points[$id][$lane] ?? [])));
            }
        }

        return $ticks === [] ? null : min($ticks);
    }

    /**
     * Whether a change puts all of some notes in, beside what is there: not in place of others, as when notes are split.
     *
     * @param  non-empty-list<int>  $ids
     */
    private static function areNew(array $ids, Change $change, int $part): bool
    {
        $changed = $change->parts[$part] ?? null;

        return $changed !== null && $changed->notes->going() === [] && array_diff($ids, array_keys($changed->notes->coming())) === [];
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

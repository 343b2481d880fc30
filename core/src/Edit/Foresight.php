<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;

/** What a change would do, note by note, before it is done: who would come to lie on another, and who would move far. */
final class Foresight
{
    /** From how far a move is worth telling, in milliseconds: about where a listener begins to hear it. */
    public const FAR = 20.0;

    /** Up to how many moved notes each is looked for by itself. */
    private const FEW = 24;

    /**
     * The notes of a change whose start moves farther than FAR.
     *
     * @return array<int, list<int>> ids by part
     */
    public static function far(Change $change, Score $before): array
    {
        $far = [];
        foreach ($change->parts as $part => $changed) {
            foreach ($changed->after as $id => $note) {
                $was = $changed->before[$id] ?? null;
                if ($was !== null && abs($before->time->tempos->milliseconds($was->start, $note->start)) > self::FAR) {
                    $far[$part][] = $id;
                }
            }
        }

        return $far;
    }

    /**
     * The changed notes that come to lie on another of the same pitch, start and channel. Notes that lay on one another
     * before are no news.
     *
     * @return array<int, list<int>> ids by part
     */
    public static function merging(Change $change, Score $before): array
    {
        $merging = [];
        foreach ($change->parts as $id => $changed) {
            // A part that moves as a whole brings nothing together.
            if ($changed->leaves('start', 'pitch') || ($changed->head?->shift() ?? 0) !== 0) {
                continue;
            }
            $moved = self::moved($changed);
            if ($moved === []) {
                continue;
            }
            $part = $before->parts[$id] ?? null;
            $found = count($moved) <= self::FEW ? self::few($moved, $changed, $part) : self::many($moved, $changed, $part);
            if ($found !== []) {
                $merging[$id] = $found;
            }
        }

        return $merging;
    }

    /** @return array<int, Note> those that come, or come to lie elsewhere */
    private static function moved(PartChange $changed): array
    {
        $moved = [];
        foreach ($changed->after as $id => $note) {
            $was = $changed->before[$id] ?? null;
            if ($was === null || $was->start !== $note->start || $was->pitch !== $note->pitch) {
                $moved[$id] = $note;
            }
        }

        return $moved;
    }

    /**
     * @param  array<int, Note>  $moved
     * @return list<int>
     */
    private static function few(array $moved, PartChange $changed, ?Part $part): array
    {
        $others = static fn (Note $note): array => array_filter($part?->notes->at($note->start) ?? [], static fn (Note $n): bool => self::place($n) === self::place($note));
        $are = array_count_values(array_map(self::place(...), $changed->after));
        $merging = [];
        foreach ($moved as $note) {
            $there = array_filter($others($note), static fn (Note $n): bool => ! isset($changed->before[$n->id]));
            if ($are[self::place($note)] + count($there) === 1) {
                continue;
            }
            $was = $changed->before[$note->id] ?? null;
            if ($was === null || count($others($was)) === 1) {
                $merging[] = $note->id;
            }
        }

        return $merging;
    }

    /**
     * @param  array<int, Note>  $moved
     * @return list<int>
     */
    private static function many(array $moved, PartChange $changed, ?Part $part): array
    {
        $notes = $part?->notes->all() ?? [];
        $are = self::counts($changed->after + array_diff_key($notes, $changed->before));
        $were = null;
        $merging = [];
        foreach ($moved as $note) {
            if ($are[self::place($note)] === 1) {
                continue;
            }
            $were ??= self::counts($notes);
            $was = $changed->before[$note->id] ?? null;
            if ($was === null || $were[self::place($was)] === 1) {
                $merging[] = $note->id;
            }
        }

        return $merging;
    }

    /**
     * @param  array<int, Note>  $notes
     * @return array<int, int> how many notes lie at each place
     */
    private static function counts(array $notes): array
    {
        $counts = [];
        foreach ($notes as $note) {
            $place = self::place($note);
            $counts[$place] = ($counts[$place] ?? 0) + 1;
        }

        return $counts;
    }

    /** Start, channel and pitch as one number; not by shifting, since starts on a grid would then crowd PHP's hash. */
    private static function place(Note $note): int
    {
        return $note->start * 2053 + ($note->channel << 7 | $note->pitch);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\Change;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Score;

/** What a change would do, note by note, to be shown before it is done: who would merge, and who would move far. */
final class Landing
{
    /** From how far a move is worth telling, in milliseconds: about where a listener begins to hear it. */
    public const FAR = 20.0;

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
        foreach ($change->parts as $part => $changed) {
            $moved = $are = [];
            foreach ($changed->after as $id => $note) {
                $was = $changed->before[$id] ?? null;
                if ($was === null || $was->start !== $note->start || $was->pitch !== $note->pitch) {
                    $moved[] = $note;
                }
                $place = self::place($note);
                $are[$place] = ($are[$place] ?? 0) + 1;
            }
            if ($moved === []) {
                continue;
            }
            $notes = $before->part($part)->notes;
            foreach ($notes as $id => $note) {
                if (! isset($changed->before[$id])) {
                    $place = self::place($note);
                    $are[$place] = ($are[$place] ?? 0) + 1;
                }
            }
            $were = null;
            foreach ($moved as $note) {
                if ($are[self::place($note)] === 1) {
                    continue;
                }
                $were ??= self::counts($notes);
                $was = $changed->before[$note->id] ?? null;
                if ($was === null || $were[self::place($was)] === 1) {
                    $merging[$part][] = $note->id;
                }
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

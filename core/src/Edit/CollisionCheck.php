<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\RowsChange;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;

/** What a change would do, note by note, before it is done: who would come to lie on another, and who would move far. */
final class CollisionCheck
{
    /** From how far a move is worth telling, in milliseconds: about where a listener begins to hear it. */
    public const FAR = 20.0;

    /** What says where a note lies. */
    private const COLUMNS = ['start', 'pitch', 'channel'];

    /** What a tick makes of a difference in the number of a place: more than channel and pitch can. */
    private const APART = 2053;

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
            $starts = $changed->notes->integers('start');
            foreach ($changed->notes->staying() as $i => $id) {
                if (abs($before->time->tempos->milliseconds($starts[0][$i], $starts[1][$i])) > self::FAR) {
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
            $part = $before->parts[$id] ?? null;
            $found = match (true) {
                self::areAllMovedAlike($changed->notes, $part) => [],
                count($changed->notes->touched()) <= self::FEW => self::few($changed->notes, $part),
                default => self::many($changed->notes, $part),
            };
            if ($found !== []) {
                $merging[$id] = $found;
            }
        }

        return $merging;
    }

    /**
     * Whether all notes that there are move alike: then they lie to one another as they did.
     *
     * @param  RowsChange<Note>  $notes
     */
    private static function areAllMovedAlike(RowsChange $notes, ?Part $part): bool
    {
        if ($part === null || count($notes->staying()) !== count($part->notes) || $notes->coming() !== []) {
            return false;
        }
        foreach (self::COLUMNS as $name) {
            if (! $notes->leaves($name) && $notes->by($name) === null) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  RowsChange<Note>  $notes
     * @return list<int>
     */
    private static function few(RowsChange $notes, ?Part $part): array
    {
        [$before, $after] = [$notes->before(), $notes->after()];
        $others = static fn (Note $note): array => array_filter($part?->notes->at($note->start) ?? [], static fn (Note $n): bool => self::place($n) === self::place($note));
        $are = array_count_values(array_map(self::place(...), $after));
        $merging = [];
        foreach ($after as $id => $note) {
            $was = $before[$id] ?? null;
            if ($was !== null && self::place($was) === self::place($note)) {
                continue;
            }
            $there = array_filter($others($note), static fn (Note $n): bool => ! isset($before[$n->id]));
            if ($are[self::place($note)] + count($there) > 1 && ($was === null || count($others($was)) === 1)) {
                $merging[] = $id;
            }
        }

        return $merging;
    }

    /**
     * @param  RowsChange<Note>  $notes
     * @return list<int>
     */
    private static function many(RowsChange $notes, ?Part $part): array
    {
        $were = $part === null ? [] : self::before($part);
        $staying = $notes->staying();
        $coming = array_map(self::place(...), $notes->coming());
        $are = array_replace(array_diff_key($were, $notes->going()), $coming);
        if ($notes->leaves('pitch', 'channel')) {
            [$was, $is] = $notes->integers('start');
            foreach ($staying as $i => $id) {
                $are[$id] += ($is[$i] - $was[$i]) * self::APART;
            }
        } else {
            $columns = array_column(array_map($notes->integers(...), self::COLUMNS), 1);
            $are = array_replace($are, array_combine($staying, self::places(...$columns)));
        }
        if (count(array_flip($are)) === count($are)) {
            return [];
        }
        $counts = array_count_values($are);
        $countsBefore = array_count_values($were);
        $merging = [];
        foreach (array_keys($coming) as $id) {
            if ($counts[$are[$id]] > 1) {
                $merging[] = $id;
            }
        }
        foreach ($staying as $id) {
            if ($were[$id] !== $are[$id] && $counts[$are[$id]] > 1 && $countsBefore[$were[$id]] === 1) {
                $merging[] = $id;
            }
        }

        return $merging;
    }

    /** @return array<int, int> where the notes of a part lie, by id */
    private static function before(Part $part): array
    {
        return array_combine($part->notes->ids(), self::places(...array_map($part->notes->integers(...), self::COLUMNS)));
    }

    /**
     * Start, channel and pitch of each as one number; not by shifting, since starts on a grid would then crowd PHP's hash.
     *
     * @param  list<int>  $starts
     * @param  list<int>  $pitches
     * @param  list<int>  $channels
     * @return list<int>
     */
    private static function places(array $starts, array $pitches, array $channels): array
    {
        $places = [];
        foreach ($starts as $i => $start) {
            $places[] = $start * self::APART + ($channels[$i] << 7 | $pitches[$i]);
        }

        return $places;
    }

    private static function place(Note $note): int
    {
        return self::places([$note->start], [$note->pitch], [$note->channel])[0];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Timeline;

/** Notes that are like others: those selected, or with none selected the one that starts nearest to a tick. */
final class Alike
{
    /** As far as two lengths may differ and be the same, as a share of the longer. */
    private const SAME = 0.125;

    /**
     * Those that stand at the same place in their bar, to within half a cell of the part's grid.
     *
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    public static function place(Part $part, array $chosen, int $near, Timeline $time): array
    {
        $lines = $time->lines($part->settings()->grid, $part->settings()->swing);
        $place = static function (Note $note) use ($lines, $time): int {
            $line = $lines->nearest($note->start);

            return $line - $time->meters->barAt($line)->start;
        };
        $places = [];
        foreach (self::models($part, $chosen, $near) as $note) {
            $places[$place($note)] = true;
        }

        return self::ids(array_filter($part->inOrder(), static fn (Note $n): bool => isset($places[$place($n)])));
    }

    /**
     * Those as long.
     *
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    public static function length(Part $part, array $chosen, int $near): array
    {
        $lengths = array_unique(array_map(static fn (Note $n): int => $n->length, self::models($part, $chosen, $near)));
        $same = static fn (Note $n): bool => array_filter($lengths, static fn (int $l): bool => abs($n->length - $l) <= self::SAME * max($n->length, $l)) !== [];

        return self::ids(array_filter($part->inOrder(), $same));
    }

    /**
     * Those of the same articulation; none is one too.
     *
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    public static function articulation(Part $part, array $chosen, int $near): array
    {
        $wanted = array_map(static fn (Note $n): int => $n->articulation, self::models($part, $chosen, $near));

        return self::ids(array_filter($part->inOrder(), static fn (Note $n): bool => in_array($n->articulation, $wanted, true)));
    }

    /**
     * Those softer than the softest selected, or louder than the loudest; with none selected, than the middle of all.
     *
     * @param  array<int, true>  $chosen
     * @param  int  $way  −1 softer, 1 louder
     * @return list<int>
     */
    public static function loudness(Part $part, array $chosen, int $way): array
    {
        $notes = $part->inOrder();
        $models = array_filter($notes, static fn (Note $n): bool => isset($chosen[$n->id]));
        $velocities = array_map(static fn (Note $n): int => $n->velocity, $models === [] ? $notes : $models);
        sort($velocities);
        if ($velocities === []) {
            return [];
        }
        $than = $models === [] ? $velocities[intdiv(count($velocities), 2)] : ($way < 0 ? $velocities[0] : $velocities[count($velocities) - 1]);

        return self::ids(array_filter($notes, static fn (Note $n): bool => ($n->velocity <=> $than) === $way));
    }

    /**
     * The one that is nearest to a place and a pitch.
     *
     * @param  list<Note>  $notes
     * @return list<int>
     */
    public static function nearest(array $notes, int $near, ?int $row): array
    {
        usort($notes, static fn (Note $a, Note $b): int => abs($a->start - $near) <=> abs($b->start - $near) ?: abs($a->pitch - ($row ?? 0)) <=> abs($b->pitch - ($row ?? 0)));

        return array_slice(self::ids($notes), 0, 1);
    }

    /**
     * @param  array<int, true>  $chosen
     * @return list<Note>
     */
    private static function models(Part $part, array $chosen, int $near): array
    {
        $notes = $part->inOrder();
        $models = array_values(array_filter($notes, static fn (Note $n): bool => isset($chosen[$n->id])));
        if ($models !== [] || $notes === []) {
            return $models;
        }
        usort($notes, static fn (Note $a, Note $b): int => abs($a->start - $near) <=> abs($b->start - $near));

        return [$notes[0]];
    }

    /**
     * @param  array<int, Note>  $notes
     * @return list<int>
     */
    private static function ids(array $notes): array
    {
        return array_values(array_map(static fn (Note $n): int => $n->id, $notes));
    }
}

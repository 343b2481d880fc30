<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;

/**
 * The change that makes one state of a song out of another, whatever lies between: to go far in a history without going
 * over every step. What is out of sight is made equal too, since steps before and after count on it.
 */
final class ScoreDiff
{
    /**
     * @param  Score  $from  with all parts that were taken away
     * @param  Score  $to  likewise; parts that it does not know were not there yet
     */
    public static function scores(Score $from, Score $to): Change
    {
        $parts = $tracks = [];
        foreach ($from->parts + $from->gone as $id => $part) {
            $parts[$id] = self::parts($part, isset($from->parts[$id]), $to->parts[$id] ?? $to->gone[$id] ?? null, isset($to->parts[$id]));
        }
        foreach ($from->tracks + $to->tracks as $id => $_) {
            $tracks[$id] = new TrackChange($from->tracks[$id] ?? null, $to->tracks[$id] ?? null);
        }

        return new Change(
            array_filter($parts, static fn (PartChange $c): bool => ! $c->isEmpty()),
            TimeChange::between($from->time, $to->time),
            array_filter($tracks, static fn (TrackChange $c): bool => ! $c->isEmpty()),
            array_filter(['name' => [$from->name, $to->name], 'scale' => [$from->scale?->name, $to->scale?->name]], static fn (array $c): bool => $c[0] !== $c[1]),
        );
    }

    /** @param  Part|null  $to  null for one that was not there yet: nothing is in it */
    private static function parts(Part $from, bool $isThere, ?Part $to, bool $comes): PartChange
    {
        $head = new HeadChange($isThere ? $from->head : null, $comes ? $to?->head : null);
        // Contents go along with a head that comes; of one that does not, they stay where the old head has them.
        $by = $to === null ? 0 : $to->head->origin - $from->head->origin;
        $same = static fn (Rows $a, ?Rows $b): bool => $b !== null && $to !== null && $a->bytes($from->head->origin) === $b->bytes($to->head->origin);
        $notes = $same($from->notes, $to?->notes) ? null : RowsChange::of(Table::notes(), ...self::differing($from->notes->all(), $to?->notes->all() ?? [], $by, $comes));
        $points = $same($from->points, $to?->points) ? null : RowsChange::of(Table::points(), ...self::differing($from->points->all(), $to?->points->all() ?? [], $by, $comes));

        return new PartChange($notes, $points, $head->isEmpty() ? null : $head);
    }

    /**
     * @template T of Note|Point
     *
     * @param  array<int, T>  $from
     * @param  array<int, T>  $to
     * @param  int  $by  ticks by which the head that comes has its contents later
     * @return array{array<int, T>, array<int, T>}
     */
    private static function differing(array $from, array $to, int $by, bool $comes): array
    {
        if ($by !== 0 && ! $comes) {
            /** @var array<int, T> $to */
            $to = array_map(static fn (Note|Point $t): Note|Point => self::moved($t, -$by), $to);
        }
        $before = [];
        $after = array_diff_key($to, $from);
        foreach ($from as $id => $thing) {
            $other = $to[$id] ?? null;
            if ($other === null) {
                $before[$id] = $thing;
            } elseif ($other != ($comes && $by !== 0 ? self::moved($thing, $by) : $thing)) {
                $before[$id] = $thing;
                $after[$id] = $other;
            }
        }

        return [$before, $after];
    }

    private static function moved(Note|Point $thing, int $by): Note|Point
    {
        return $thing instanceof Note ? $thing->exactly(['start' => $thing->start + $by]) : $thing->movedTo($thing->tick + $by);
    }
}

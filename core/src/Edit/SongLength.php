<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Time\Timeline;

/** Nothing is put later than a song can be long: a file could not say it, or not be opened again. */
final class SongLength
{
    /** @throws Refusal where a change puts something there */
    public static function check(Change $change): void
    {
        foreach ($change->parts as $part) {
            if (! $part->notes->isEmpty() && ! $part->notes->leaves('start', 'length')) {
                [, $starts] = $part->notes->integers('start');
                [, $lengths] = $part->notes->integers('length');
                self::hold('A note', max([0, ...array_map(static fn (int $start, int $length): int => $start + $length, $starts, $lengths), ...array_map(static fn (Note $n): int => $n->end(), $part->notes->coming())]));
            }
            if (! $part->points->isEmpty() && ! $part->points->leaves('tick')) {
                self::hold('A point', max([0, ...$part->points->integers('tick')[1], ...array_map(static fn (Point $p): int => $p->tick, $part->points->coming())]));
            }
            $head = $part->head?->after;
            if ($head !== null) {
                self::hold(sprintf('“%s”', $head->name), max($head->to === PartHead::OPEN ? 0 : $head->soundsTo(), $head->origin));
            }
        }
        if ($change->time !== null) {
            self::hold('A tempo, a meter or a marker', max([0, ...array_map(static fn (array $rows): int => max([0, ...array_column($rows, 0)]), array_values($change->time->after))]));
        }
    }

    private static function hold(string $what, int $tick): void
    {
        if ($tick > Timeline::LAST) {
            throw new Refusal("$what would lie later than a song can be long: nothing changed.");
        }
    }
}

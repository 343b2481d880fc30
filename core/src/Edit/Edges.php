<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

/** Where parts begin and end: what parts and their edges can be taken to. */
final class Edges
{
    /**
     * The next edge of another part after a tick, or the one before it; null where there is none.
     *
     * @param  list<int>  $besides  ids of parts that do not count
     */
    public static function from(int $tick, bool $later, Work $work, array $besides, ?int $track = null): ?int
    {
        $best = null;
        foreach ($work->score->parts as $part) {
            if (in_array($part->id, $besides, true) || ($track !== null && $part->head->track !== $track)) {
                continue;
            }
            foreach ([$part->head->from, max(Contents::end($part, $work), $part->head->plays->until)] as $edge) {
                if ($later ? $edge > $tick && ($best === null || $edge < $best) : $edge < $tick && ($best === null || $edge > $best)) {
                    $best = $edge;
                }
            }
        }

        return $best;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Edit\EditInput;

/** Where parts begin and end: what parts and their edges can be taken to. */
final class EdgeStep
{
    /**
     * The next edge of another part after a tick, or the one before it; null where there is none.
     *
     * @param  list<int>  $besides  ids of parts that do not count
     */
    public static function from(int $tick, bool $later, EditInput $input, array $besides, ?int $track = null): ?int
    {
        $best = null;
        foreach ($input->score->parts as $part) {
            if (in_array($part->id, $besides, true) || ($track !== null && $part->head->track !== $track)) {
                continue;
            }
            foreach ([$part->head->from, max(PartContents::end($part, $input), $part->head->plays->until)] as $edge) {
                if ($later ? $edge > $tick && ($best === null || $edge < $best) : $edge < $tick && ($best === null || $edge > $best)) {
                    $best = $edge;
                }
            }
        }

        return $best;
    }
}

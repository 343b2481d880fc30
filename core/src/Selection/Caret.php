<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Time\Step;
use Jactonic\Core\Time\Timeline;

/** The caret's way through time. */
final class Caret
{
    /**
     * Where the caret comes to from a tick. By the grid it goes from line to line (swing included), since it is there to
     * say where; by any other unit as far as a nudge goes. It stops at the song's start.
     *
     * @param  int  $steps  below 0 for earlier
     * @param  Step|null  $by  null for the part's nudge step
     */
    public static function moved(int $tick, int $steps, ?Step $by, PartSettings $settings, Timeline $time): int
    {
        $by ??= $settings->nudge;
        $lines = $time->lines($settings->grid, $settings->swing);
        if ($by->unit !== 'grid' || floor($by->amount) !== $by->amount) {
            // Each step ends on a tick: several at once come to where they come one by one.
            for ($i = abs($steps), $one = $steps <=> 0; $i > 0; $i--) {
                $tick = max(0, Note::whole($tick + $by->distance($time, $lines, $one, $tick)));
            }

            return $tick;
        }
        for ($i = abs($steps) * (int) $by->amount; $i > 0; $i--) {
            $tick = $steps > 0 ? $lines->after($tick) : $lines->before($tick);
        }

        return $tick;
    }
}

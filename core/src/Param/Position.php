<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Time\Timeline;

/** A place as people say it: bar, beat and, where it is told, tick, all counted from 1. */
final readonly class Position
{
    public function __construct(public string $text)
    {
    }

    public function tick(Timeline $time): int
    {
        [$bar, $beat, $tick] = [...array_map(intval(...), explode('.', $this->text)), 1, 1];
        $at = $time->meters->barNumber(max(0, $bar - 1));

        return $at->start + (max(1, $beat) - 1) * intdiv(4 * $time->ppq, $at->meter->unit) + max(1, $tick) - 1;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Recording;

use Jactonic\Core\Time\TempoMap;

/**
 * From the seconds of a take to the song: a take begins at a tick and, where it is looped, goes round between two.
 */
final readonly class LoopPass
{
    /**
     * @param  int  $from  tick at which second 0 stood
     * @param  array{int, int}|null  $loop  first tick and the one after the last; null where the take goes straight on
     */
    public function __construct(private TempoMap $tempos, public int $from, public ?array $loop = null)
    {
    }

    /**
     * Where a moment of the take falls.
     *
     * @return array{int, float} which round, from 1, and the tick with its fraction; before the take, ticks before its start
     */
    public function place(float $seconds): array
    {
        $start = $this->tempos->seconds($this->from);
        if ($this->loop === null || $this->from >= $this->loop[1]) {
            return [1, $this->tempos->tick($start + $seconds)];
        }
        $loopStart = $this->tempos->seconds($this->loop[0]);
        $loopEnd = $this->tempos->seconds($this->loop[1]);
        $first = $loopEnd - $start;
        if ($seconds < $first) {
            return [1, $this->tempos->tick($start + $seconds)];
        }
        $rounds = (int) floor(($seconds - $first) / ($loopEnd - $loopStart));

        return [2 + $rounds, $this->tempos->tick($loopStart + $seconds - $first - $rounds * ($loopEnd - $loopStart))];
    }
}

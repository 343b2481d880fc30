<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** One bar of the song: a stretch of ticks between two bar lines. */
final readonly class Bar
{
    /**
     * @param  int  $index  counted from 0
     * @param  int  $start  tick of its bar line
     * @param  int  $length  ticks; shorter than the meter says where the next meter begins early
     */
    public function __construct(public int $index, public int $start, public int $length, public Meter $meter)
    {
    }

    public function end(): int
    {
        return $this->start + $this->length;
    }
}

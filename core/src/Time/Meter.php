<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** A meter that holds from a tick on, such as 7/8. */
final readonly class Meter
{
    /**
     * @param  int  $tick  where it begins, 0 or more
     * @param  int  $beats  1–255, the upper number
     * @param  int  $unit  1, 2, 4 … the lower number
     */
    public function __construct(public int $tick, public int $beats, public int $unit)
    {
    }
}

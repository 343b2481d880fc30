<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * One point of a lane: a channel message that is no note (controller, program, pressure, bend), with its bytes as
 * the MIDI standard has them. A lane of the interface is the points of one status and, for controllers, one number.
 */
final readonly class Point
{
    /**
     * @param  int  $id  unique in its part among points, 1 or more; order at one tick is order of id
     * @param  int  $tick  0 or more
     * @param  int  $status  0x80–0xEF, the channel in the low four bits
     * @param  int  $data1  0–127
     * @param  int  $data2  0–127; 0 where the message has one data byte
     */
    public function __construct(
        public int $id,
        public int $tick,
        public int $status,
        public int $data1,
        public int $data2 = 0,
    ) {
    }

    /** @param  int  $tick  0 or more */
    public function movedTo(int $tick): self
    {
        return new self($this->id, $tick, $this->status, $this->data1, $this->data2);
    }
}

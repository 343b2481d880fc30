<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/** One event of a file's track, at its tick from the track's start in the file's own division. */
final readonly class Event
{
    /**
     * @param  int  $status  0x80–0xEF for channel messages, 0xF0 or 0xF7 for system exclusive, 0xFF for meta
     * @param  int  $data1  first data byte, or the type of a meta event
     * @param  string  $bytes  the body of a system exclusive or meta event, without its length
     */
    public function __construct(
        public int $tick,
        public int $status,
        public int $data1 = 0,
        public int $data2 = 0,
        public string $bytes = '',
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/** A Standard MIDI File taken apart into its chunks. */
final readonly class MidiFile
{
    /**
     * @param  int  $format  0, 1 or 2
     * @param  int  $division  the header's 16 bits: ticks per quarter, or frames per second and ticks per frame
     * @param  list<list<Event>>  $tracks  each ends with its end-of-track event
     * @param  list<array{int, string, string}>  $chunks  chunks of other kinds: how many tracks stand before it, id, body
     * @param  list<string>  $warnings  what was wrong but could be mended, a sentence each
     */
    public function __construct(
        public int $format,
        public int $division,
        public array $tracks,
        public array $chunks = [],
        public array $warnings = [],
    ) {
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Time\Timeline;

/** A whole song, as it is read out of a file and written into one. */
final readonly class Song
{
    /**
     * @param  list<array{int, int, int, int}>  $tempos  tick, microseconds per quarter, track (from 0), order
     * @param  list<array{int, int, int, int, int, int, int}>  $meters  tick, beats, unit, MIDI clocks per click,
     *                                                                  thirty-seconds per quarter, track, order
     * @param  list<Track>  $tracks
     */
    public function __construct(
        public string $name,
        public int $ppq,
        public array $tempos,
        public array $meters,
        public array $tracks,
        public Source $source,
    ) {
    }

    public function time(): Timeline
    {
        return Timeline::of($this->ppq, $this->tempos, $this->meters);
    }

    /** All parts by id, with the song's time: what edits work on. */
    public function score(): Score
    {
        $parts = [];
        foreach ($this->tracks as $track) {
            foreach ($track->parts as $part) {
                $parts[$part->id] = $part;
            }
        }

        return new Score($this->time(), $parts);
    }

    /** With the parts and the time of an edited score in the place of its own. */
    public function withScore(Score $score): self
    {
        return new self($this->name, $this->ppq, $score->time->tempoRows, $score->time->meterRows, array_map(
            static fn (Track $t): Track => $t->withParts(array_map(static fn (Part $p): Part => $score->part($p->id), $t->parts)),
            $this->tracks,
        ), $this->source);
    }
}

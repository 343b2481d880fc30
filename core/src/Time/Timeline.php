<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** A song's time: its resolution in ticks per quarter, its tempos and its meters. */
final readonly class Timeline
{
    /** Ticks per quarter of a new song. */
    public const PPQ = 960;

    /** The most ticks per quarter that a MIDI file's header can say. */
    public const MOST_PPQ = 32_767;

    public function __construct(public int $ppq, public TempoMap $tempos, public MeterMap $meters)
    {
    }

    /**
     * @param  list<array{int, int}>  $tempos  tick and microseconds per quarter
     * @param  list<array{int, int, int}>  $meters  tick, beats, unit
     */
    public static function of(int $ppq, array $tempos = [], array $meters = []): self
    {
        return new self(
            $ppq,
            new TempoMap($ppq, $tempos),
            new MeterMap($ppq, array_map(static fn (array $m): Meter => new Meter($m[0], $m[1], $m[2]), $meters)),
        );
    }

    public function lines(Grid $grid, float $swing = Lines::STRAIGHT): Lines
    {
        return new Lines($this->meters, $grid, $swing);
    }

    /** A place for people: bar.beat.tick from 1. */
    public function position(int $tick): string
    {
        return $this->meters->position($tick);
    }
}

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

    /** Clocks of MIDI to a beat of the click, and thirty-seconds to a quarter, where a meter says nothing else. */
    private const CLICK = [24, 8];

    /**
     * @param  list<array{int, int, int, int}>  $tempoRows  as they are kept: tick, microseconds per quarter, track of the
     *                                                       file (from 0), order there
     * @param  list<array{int, int, int, int, int, int, int}>  $meterRows  tick, beats, unit, MIDI clocks per click,
     *                                                                     thirty-seconds per quarter, track, order
     */
    private function __construct(public int $ppq, public TempoMap $tempos, public MeterMap $meters, public array $tempoRows, public array $meterRows)
    {
    }

    /**
     * @param  list<array{0: int, 1: int, 2?: int, 3?: int}>  $tempos  rows of tempos, or only tick and microseconds per quarter
     * @param  list<array{0: int, 1: int, 2: int, 3?: int, 4?: int, 5?: int, 6?: int}>  $meters  rows of meters, or only
     *                                                                                           tick, beats, unit
     */
    public static function of(int $ppq, array $tempos = [], array $meters = []): self
    {
        return new self(
            $ppq,
            new TempoMap($ppq, array_map(static fn (array $t): array => [$t[0], $t[1]], $tempos)),
            new MeterMap($ppq, array_map(static fn (array $m): Meter => new Meter($m[0], $m[1], $m[2]), $meters)),
            array_map(static fn (array $t): array => [$t[0], $t[1], $t[2] ?? 0, $t[3] ?? 0], $tempos),
            array_map(static fn (array $m): array => [$m[0], $m[1], $m[2], $m[3] ?? self::CLICK[0], $m[4] ?? self::CLICK[1], $m[5] ?? 0, $m[6] ?? 0], $meters),
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

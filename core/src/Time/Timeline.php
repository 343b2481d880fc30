<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

use Jactonic\Core\Standard\Message;

/** A song's time: its resolution in ticks per quarter, its tempos, its meters and its markers. */
final readonly class Timeline
{
    /** Ticks per quarter of a new song. */
    public const PPQ = 960;

    /** The most ticks per quarter that a MIDI file's header can say. */
    public const MOST_PPQ = 32_767;

    /** The last tick that anything is moved to or put at: what a file can say, and be read again. */
    public const LAST = 1 << 40;

    /** Clocks of MIDI to a beat of the click, and thirty-seconds to a quarter, where a meter says nothing else. */
    private const CLICK = [24, 8];

    /**
     * @param  list<array{int, int, int, int}>  $tempoRows  as they are kept: tick, microseconds per quarter, track of the
     *                                                       file (from 0), order there
     * @param  list<array{int, int, int, int, int, int, int}>  $meterRows  tick, beats, unit, MIDI clocks per click,
     *                                                                     thirty-seconds per quarter, track, order
     * @param  list<array{int, string, int, int}>  $markerRows  tick, the bytes of the name in Base64, track, order
     */
    private function __construct(public int $ppq, public TempoMap $tempos, public MeterMap $meters, public array $tempoRows, public array $meterRows, public array $markerRows)
    {
    }

    /**
     * @param  list<array{0: int, 1: int, 2?: int, 3?: int}>  $tempos  rows of tempos, or only tick and microseconds per quarter
     * @param  list<array{0: int, 1: int, 2: int, 3?: int, 4?: int, 5?: int, 6?: int}>  $meters  rows of meters, or only
     *                                                                                           tick, beats, unit
     * @param  list<array{int, string, int, int}>  $markers  rows of markers
     */
    public static function of(int $ppq, array $tempos = [], array $meters = [], array $markers = []): self
    {
        return new self(
            $ppq,
            new TempoMap($ppq, array_map(static fn (array $t): array => [$t[0], $t[1]], $tempos)),
            new MeterMap($ppq, array_map(static fn (array $m): Meter => new Meter($m[0], $m[1], $m[2]), $meters)),
            array_map(static fn (array $t): array => [$t[0], $t[1], $t[2] ?? 0, $t[3] ?? 0], $tempos),
            array_map(static fn (array $m): array => [$m[0], $m[1], $m[2], $m[3] ?? self::CLICK[0], $m[4] ?? self::CLICK[1], $m[5] ?? 0, $m[6] ?? 0], $meters),
            $markers,
        );
    }

    public function lines(Grid $grid, float $swing = Lines::STRAIGHT): Lines
    {
        return new Lines($this->meters, $grid, $swing);
    }

    /**
     * The song's markers, by tick.
     *
     * @return list<array{int, string}> tick and name
     */
    public function markers(): array
    {
        $markers = array_map(static fn (array $m): array => [$m[0], Message::text((string) base64_decode($m[1], true))], $this->markerRows);
        usort($markers, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $markers;
    }

    /** The tick of the first marker of a name, whatever its case; null where there is none. */
    public function marker(string $name): ?int
    {
        foreach ($this->markers() as [$tick, $called]) {
            if (mb_strtolower($called) === mb_strtolower($name)) {
                return $tick;
            }
        }

        return null;
    }

    /** How long before a bar line a note may be played and be meant for it, in ticks: half a sixteenth. One size, everywhere. */
    public function early(): int
    {
        return intdiv($this->ppq, 8);
    }

    /** The bar that a place is meant for: a little early for a bar line counts to the bar that begins there. */
    public function meantBar(float $tick): Bar
    {
        return $this->meters->barAt((int) floor($tick + $this->early()));
    }

    /** A place for people: bar.beat.tick from 1. */
    public function position(int $tick): string
    {
        return $this->meters->position($tick);
    }
}

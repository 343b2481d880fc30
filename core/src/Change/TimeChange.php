<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Time\Timeline;

/**
 * What a change does to the song's tempos and meters: all rows as they were and as they are after it, as Timeline
 * keeps them. Turned round, it is its own exact inverse.
 *
 * @phpstan-type Rows array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>, markers: list<array{int, string, int, int}>}
 */
final readonly class TimeChange
{
    /**
     * @param  Rows  $before
     * @param  Rows  $after
     */
    public function __construct(public array $before, public array $after)
    {
    }

    /** The change from one time to another; null where they are the same. */
    public static function between(Timeline $before, Timeline $after): ?self
    {
        $change = new self(self::rows($before), self::rows($after));

        return $change->isEmpty() ? null : $change;
    }

    public function inverse(): self
    {
        return new self($this->after, $this->before);
    }

    public function isEmpty(): bool
    {
        return $this->before === $this->after;
    }

    public function applyTo(Timeline $time): Timeline
    {
        return Timeline::of($time->ppq, $this->after['tempos'], $this->after['meters'], $this->after['markers']);
    }

    /** @return Rows a time as a change holds it */
    public static function rows(Timeline $time): array
    {
        return ['tempos' => $time->tempoRows, 'meters' => $time->meterRows, 'markers' => $time->markerRows];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * What a part is without its notes: where it belongs, its name, and the stretch of time that is heard of it. To move a
 * part is to change three numbers; no note is touched.
 */
final readonly class PartHead
{
    /** Where the window of a part ends that nobody gave an end. */
    public const OPEN = PHP_INT_MAX >> 20;

    /**
     * @param  int  $track  id
     * @param  int  $origin  tick of the song at which its contents have their nought
     * @param  int  $from  first tick of its window
     * @param  int  $to  the tick after its last, more than $from
     */
    public function __construct(
        public int $track,
        public string $name,
        public int $origin = 0,
        public int $from = 0,
        public int $to = self::OPEN,
        public bool $muted = false,
    ) {
    }

    /** All of it later by so many ticks. */
    public function moved(int $ticks): self
    {
        return new self($this->track, $this->name, $this->origin + $ticks, $this->from + $ticks, $this->to + $ticks, $this->muted);
    }

    public function withWindow(int $from, int $to): self
    {
        return new self($this->track, $this->name, $this->origin, $from, $to, $this->muted);
    }

    public function onTrack(int $track): self
    {
        return new self($track, $this->name, $this->origin, $this->from, $this->to, $this->muted);
    }

    public function withName(string $name): self
    {
        return new self($this->track, $name, $this->origin, $this->from, $this->to, $this->muted);
    }

    public function withMuted(bool $muted): self
    {
        return new self($this->track, $this->name, $this->origin, $this->from, $this->to, $muted);
    }

    /** Whether what starts at a tick is heard. */
    public function holds(int $tick): bool
    {
        return $tick >= $this->from && $tick < $this->to;
    }

    /** @return array{int, string, int, int, int, bool} what `fromArray` reads back */
    public function toArray(): array
    {
        return [$this->track, $this->name, $this->origin, $this->from, $this->to, $this->muted];
    }

    /** @param  array{int, string, int, int, int, bool}  $data */
    public static function fromArray(array $data): self
    {
        return new self(...$data);
    }
}

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

    public PlaysAs $plays;

    /**
     * @param  int  $track  id
     * @param  int  $origin  tick of the song at which its contents have their nought
     * @param  int  $from  first tick of its window
     * @param  int  $to  the tick after its last, more than $from
     * @param  PlaysAs|null  $plays  null for what is written
     * @param  bool  $releasesAtEnd  whether a pedal that is down and a bend that is bent are let go at its end; not in one out of a
     *                      file, whose window nobody set
     * @param  array{int, int}|null  $given  the window that somebody gave it, where edits made it longer since; null where they did not
     */
    public function __construct(
        public int $track,
        public string $name,
        public int $origin = 0,
        public int $from = 0,
        public int $to = self::OPEN,
        public bool $muted = false,
        ?PlaysAs $plays = null,
        public bool $releasesAtEnd = false,
        public ?array $given = null,
    ) {
        $this->plays = $plays ?? PlaysAs::plain();
    }

    /** One that is made: its contents have their nought where it begins, and it lets go at its end. */
    public static function fresh(int $track, string $name, int $from, int $to): self
    {
        return new self($track, $name, $from, $from, $to, releasesAtEnd: true);
    }

    /** All of it later by so many ticks; one without an end has none after that either. */
    public function moved(int $ticks): self
    {
        return $this->with(['origin' => $this->origin + $ticks, 'from' => $this->from + $ticks, 'to' => $this->to === self::OPEN ? self::OPEN : $this->to + $ticks, 'plays' => $this->plays->moved($ticks),
            'given' => $this->given === null ? null : [$this->given[0] + $ticks, $this->given[1] + $ticks]]);
    }

    /** Its contents later under the window, which stays. */
    public function slid(int $ticks): self
    {
        return $this->with(['origin' => $this->origin + $ticks, 'releasesAtEnd' => true]);
    }

    /** With a window that somebody gives it. */
    public function withWindow(int $from, int $to): self
    {
        return $this->with(['from' => $from, 'to' => $to, 'releasesAtEnd' => true, 'given' => null]);
    }

    /** With the window that what is in it needs: the one that it was given is remembered. */
    public function grown(int $from, int $to): self
    {
        $given = $this->given ?? [$this->from, $this->to];

        return $this->with(['from' => $from, 'to' => $to, 'given' => $given === [$from, $to] ? null : $given]);
    }

    /** With the window that it has as the one that somebody gave it. */
    public function settled(): self
    {
        return $this->with(['given' => null]);
    }

    public function onTrack(int $track): self
    {
        return $this->with(['track' => $track]);
    }

    public function withName(string $name): self
    {
        return $this->with(['name' => $name]);
    }

    public function withMuted(bool $muted): self
    {
        return $this->with(['muted' => $muted]);
    }

    public function playing(PlaysAs $plays): self
    {
        return $this->with(['plays' => $plays]);
    }

    /** Whether what starts at a tick is heard. */
    public function holds(int $tick): bool
    {
        return $tick >= $this->from && $tick < $this->to;
    }

    /** The tick after the last at which it sounds: where its window ends, or where it has gone round to. */
    public function soundsTo(): int
    {
        return max($this->to, $this->plays->until);
    }

    /** @return array{0: int, 1: string, 2: int, 3: int, 4: int, 5: bool, 6?: bool, 7?: array{int, int, int, int}, 8?: array{int, int}} what `fromArray` reads back */
    public function toArray(): array
    {
        $all = [$this->track, $this->name, $this->origin, $this->from, $this->to, $this->muted];

        return match (true) {
            $this->given !== null => [...$all, $this->releasesAtEnd, $this->plays->toArray(), $this->given],
            ! $this->plays->isPlain() => [...$all, $this->releasesAtEnd, $this->plays->toArray()],
            default => $this->releasesAtEnd ? [...$all, true] : $all,
        };
    }

    /** @param  array{0: int, 1: string, 2: int, 3: int, 4: int, 5: bool, 6?: bool, 7?: array{int, int, int, int}, 8?: array{int, int}}  $data */
    public static function fromArray(array $data): self
    {
        return new self($data[0], $data[1], $data[2], $data[3], $data[4], $data[5], isset($data[7]) ? PlaysAs::fromArray($data[7]) : null, $data[6] ?? false, $data[8] ?? null);
    }

    /** @param  array{track?: int, name?: string, origin?: int, from?: int, to?: int, muted?: bool, plays?: PlaysAs, releasesAtEnd?: bool, given?: array{int, int}|null}  $other */
    private function with(array $other): self
    {
        return new self($other['track'] ?? $this->track, $other['name'] ?? $this->name, $other['origin'] ?? $this->origin, $other['from'] ?? $this->from, $other['to'] ?? $this->to,
            $other['muted'] ?? $this->muted, $other['plays'] ?? $this->plays, $other['releasesAtEnd'] ?? $this->releasesAtEnd, array_key_exists('given', $other) ? $other['given'] : $this->given);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Refusal;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/** What edits work on: the song's name, its time, its parts and its tracks. A part's notes are read when they are asked for. */
final class Score
{
    /** @var array<int, Track> by id, in their order */
    public readonly array $tracks;

    /** @var array<int, array<int, Part>>|null parts of each track, in order of time; null until asked for */
    private ?array $partsOf = null;

    /**
     * @param  array<int, Part>  $parts  by id
     * @param  array<int, Track>  $tracks  by id
     * @param  int  $nextPart  the id of the next new part; never given twice
     * @param  array<int, Part>  $gone  parts that were taken away, whole, to come back
     * @param  string  $name  of the song
     * @param  Scale|null  $scale  of the song, for parts that have none of their own
     */
    public function __construct(
        public readonly Timeline $time,
        public readonly array $parts,
        array $tracks = [],
        public readonly int $nextPart = 1,
        public readonly int $nextTrack = 1,
        public readonly array $gone = [],
        public readonly string $name = '',
        public readonly ?Scale $scale = null,
    ) {
        uasort($tracks, static fn (Track $a, Track $b): int => $a->order <=> $b->order ?: $a->id <=> $b->id);
        $this->tracks = $tracks;
    }

    /** @throws Refusal when there is no such part */
    public function part(int $id): Part
    {
        return $this->parts[$id] ?? throw Refusal::parameter('part', $id, $this->parts === [] ? 'no part is there' : 'one of '.implode(', ', array_keys($this->parts)))->onScreen('That part is not there any more.');
    }

    /** @throws Refusal when there is no such track */
    public function track(int $id): Track
    {
        return $this->tracks[$id] ?? throw Refusal::parameter('track', $id, $this->tracks === [] ? 'no track is there' : 'one of '.implode(', ', array_keys($this->tracks)))->onScreen('That track is not there any more.');
    }

    /** @return list<int> the ids of the tracks that a person works on, in their order: all but those that are kept out of sight */
    public function playedTracks(): array
    {
        return array_keys(array_filter($this->tracks, fn (Track $t): bool => ! $this->isConductor($t)));
    }

    /** Whether a track is kept for the file only, out of sight. One that got a part is not. */
    public function isConductor(Track $track): bool
    {
        return $track->conductor && $this->partsOf($track->id) === [];
    }

    /** @return array<int, Part> those of a track, by id, in order of time */
    public function partsOf(int $track): array
    {
        if ($this->partsOf === null) {
            $this->partsOf = [];
            foreach ($this->parts as $id => $part) {
                $this->partsOf[$part->head->track][$id] = $part;
            }
            foreach ($this->partsOf as &$parts) {
                uasort($parts, static fn (Part $a, Part $b): int => $a->head->from <=> $b->head->from ?: $a->id <=> $b->id);
            }
        }

        return $this->partsOf[$track] ?? [];
    }

    /** The MIDI channel, 0 to 15, that new notes of a part get: its own, else with nothing in it yet that of its track's others. */
    public function channelOf(Part $part): int
    {
        foreach ([$part, ...$this->partsOf($part->head->track)] as $one) {
            if (! $one->notes->isEmpty() || ! $one->points->isEmpty()) {
                return $one->channel();
            }
        }

        return 0;
    }

    /** The scale that holds in a part: its own, else the song's; null where there is none. */
    public function scaleOf(Part $part): ?Scale
    {
        return $part->ownSettings()->scale ?? $this->scale;
    }

    /** The scale by whose steps plain steps go in a part: its scale where its scale lock is on; null where they are semitones. */
    public function lockedScale(Part $part): ?Scale
    {
        return $part->ownSettings()?->held === true ? $this->scaleOf($part) : null;
    }

    /**
     * Sharps of the song's scale, else of its first key signature, below 0 for flats; null where nothing says. The whole
     * song is spelled by it.
     */
    public function sharps(): ?int
    {
        if ($this->scale !== null) {
            return $this->scale->sharps();
        }
        $first = null;
        foreach ($this->tracks as $track) {
            foreach ($track->kept() as $event) {
                $isKey = $event->status === Message::META && $event->type === Message::META_KEY && $event->bytes !== '';
                if ($isKey && ($first === null || $event->tick < $first->tick)) {
                    $first = $event;
                }
            }
        }

        $sharps = $first === null ? false : unpack('c', $first->bytes);

        return is_int($sharps[1] ?? null) ? $sharps[1] : null;
    }

    public function withPart(Part $part): self
    {
        $parts = $this->parts;
        $parts[$part->id] = $part;

        return new self($this->time, $parts, $this->tracks, max($this->nextPart, $part->id + 1), $this->nextTrack, $this->gone, $this->name, $this->scale);
    }
}

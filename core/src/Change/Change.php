<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;

/**
 * What an edit does to a score: to parts and what is in them, to tracks, to the song's time with its markers, to its name and its scale.
 * Applied and then inverted it gives back the score to the last byte.
 */
final readonly class Change
{
    /**
     * @param  array<int, PartChange>  $parts  by part id; none of them empty
     * @param  array<int, TrackChange>  $tracks  by track id
     * @param  array<string, array{string|null, string|null}>  $song  what belongs to the song itself and changes: its name, its scale, before and after
     */
    public function __construct(public array $parts = [], public ?TimeChange $time = null, public array $tracks = [], public array $song = [])
    {
    }

    public function isEmpty(): bool
    {
        return $this->parts === [] && $this->time === null && $this->tracks === [] && $this->song === [];
    }

    public function inverse(): self
    {
        return new self(array_map(static fn (PartChange $c): PartChange => $c->inverse(), $this->parts), $this->time?->inverse(),
            array_map(static fn (TrackChange $c): TrackChange => $c->inverse(), $this->tracks), array_map(array_reverse(...), $this->song));
    }

    public function applyTo(Score $score): Score
    {
        $parts = $score->parts;
        $gone = $score->gone;
        foreach ($this->parts as $id => $change) {
            $part = $change->applyTo($parts[$id] ?? $gone[$id] ?? null, $id);
            // What is out of sight stays there unless a head says otherwise.
            if ($change->head === null ? ! isset($parts[$id]) : $change->head->after === null) {
                unset($parts[$id]);
                $gone[$id] = $part;
            } else {
                unset($gone[$id]);
                $parts[$id] = $part;
            }
        }
        if (array_keys($parts) !== array_keys($score->parts)) {
            ksort($parts);
        }
        $tracks = $score->tracks;
        foreach ($this->tracks as $id => $change) {
            if ($change->after === null) {
                unset($tracks[$id]);
            } else {
                $tracks[$id] = $change->after;
            }
        }

        return new Score($this->time?->applyTo($score->time) ?? $score->time, $parts, $tracks,
            $this->parts === [] ? $score->nextPart : max($score->nextPart, 1 + max(array_keys($this->parts))),
            $this->tracks === [] ? $score->nextTrack : max($score->nextTrack, 1 + max(array_keys($this->tracks))), $gone, $this->song['name'][1] ?? $score->name,
            isset($this->song['scale']) ? Scale::tryParse($this->song['scale'][1]) : $score->scale);
    }

    /** This change and then another, as one. */
    public function then(self $later): self
    {
        $parts = $this->parts;
        foreach ($later->parts as $id => $second) {
            $parts[$id] = isset($parts[$id]) ? $parts[$id]->then($second) : $second;
        }
        $tracks = $this->tracks;
        foreach ($later->tracks as $id => $second) {
            $tracks[$id] = isset($tracks[$id]) ? new TrackChange($tracks[$id]->before, $second->after) : $second;
        }
        $time = $this->time === null || $later->time === null ? $this->time ?? $later->time : new TimeChange($this->time->before, $later->time->after);

        $song = $this->song;
        foreach ($later->song as $fact => $second) {
            $song[$fact] = [($song[$fact] ?? $second)[0], $second[1]];
        }

        return new self(
            array_filter($parts, static fn (PartChange $c): bool => ! $c->isEmpty()),
            $time?->isEmpty() === true ? null : $time,
            array_filter($tracks, static fn (TrackChange $c): bool => ! $c->isEmpty()),
            array_filter($song, static fn (array $c): bool => $c[0] !== $c[1]),
        );
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Score;

/** What an edit does to a score, by part, and to the song's time. Applied and then inverted it gives back the score to the last byte. */
final readonly class Change
{
    /** @param  array<int, PartChange>  $parts by part id; none of them empty */
    public function __construct(public array $parts = [], public ?TimeChange $time = null)
    {
    }

    public function isEmpty(): bool
    {
        return $this->parts === [] && $this->time === null;
    }

    public function inverse(): self
    {
        return new self(array_map(static fn (PartChange $c): PartChange => $c->inverse(), $this->parts), $this->time?->inverse());
    }

    public function applyTo(Score $score): Score
    {
        $parts = $score->parts;
        foreach ($this->parts as $id => $change) {
            $parts[$id] = $change->applyTo($score->part($id));
        }

        return new Score($this->time?->applyTo($score->time) ?? $score->time, $parts);
    }

    /** This change and then another, as one. */
    public function then(self $later): self
    {
        $parts = $this->parts;
        foreach ($later->parts as $id => $second) {
            $first = $parts[$id] ?? null;
            if ($first === null) {
                $parts[$id] = $second;

                continue;
            }
            $joined = new PartChange(
                $first->before + array_diff_key($second->before, $first->after),
                $second->after + array_diff_key($first->after, $second->before),
                $first->pointsBefore + array_diff_key($second->pointsBefore, $first->pointsAfter),
                $second->pointsAfter + array_diff_key($first->pointsAfter, $second->pointsBefore),
            );
            $parts[$id] = $joined;
        }

        $time = $this->time === null || $later->time === null ? $this->time ?? $later->time : new TimeChange($this->time->before, $later->time->after);

        return new self(array_filter($parts, static fn (PartChange $c): bool => ! $c->isEmpty()), $time?->isEmpty() === true ? null : $time);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** A track: its name, its parts, and what a file said in it beside the music. */
final readonly class Track
{
    /**
     * @param  list<Part>  $parts
     * @param  list<Kept>  $kept
     * @param  int  $end  tick at which the file ended the track; 0 where no file did
     */
    public function __construct(public string $name, public array $parts, public array $kept = [], public int $end = 0)
    {
    }

    public function hasNotes(): bool
    {
        foreach ($this->parts as $part) {
            if ($part->notes !== []) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Part>  $parts */
    public function withParts(array $parts): self
    {
        return new self($this->name, $parts, $this->kept, $this->end);
    }
}

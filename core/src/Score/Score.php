<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Timeline;

/** What edits work on: the song's time and the parts concerned. */
final readonly class Score
{
    /** @param  array<int, Part>  $parts by id */
    public function __construct(public Timeline $time, public array $parts)
    {
    }

    /** @throws Refusal when there is no such part */
    public function part(int $id): Part
    {
        return $this->parts[$id] ?? throw Refusal::parameter('part', $id, $this->parts === [] ? 'no part is there' : 'one of '.implode(', ', array_keys($this->parts)));
    }

    public function withPart(Part $part): self
    {
        return new self($this->time, [$part->id => $part] + $this->parts);
    }
}

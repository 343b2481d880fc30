<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\Track;

/** A track put in, taken away or changed. Turned round, it is its own exact inverse. */
final readonly class TrackChange
{
    public function __construct(public ?Track $before, public ?Track $after)
    {
    }

    public function inverse(): self
    {
        return new self($this->after, $this->before);
    }

    public function isEmpty(): bool
    {
        return $this->before?->toArray() === $this->after?->toArray();
    }
}

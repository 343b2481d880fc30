<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** A whole song, as it is read out of a file and written into one. */
final readonly class Song
{
    public string $name;

    public function __construct(public Score $score, public Source $source)
    {
        $this->name = $score->name;
    }

    public function withScore(Score $score): self
    {
        return new self($score, $this->source);
    }

    /**
     * The tracks that hold notes or other music in parts, in their order: what a file's tracks are counted by.
     *
     * @return list<Track>
     */
    public function tracksWithNotes(): array
    {
        return array_values(array_filter($this->score->tracks, fn (Track $t): bool => array_filter($this->score->partsOf($t->id), static fn (Part $p): bool => ! $p->notes->isEmpty()) !== []));
    }
}

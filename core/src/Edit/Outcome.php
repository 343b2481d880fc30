<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Selection\Selection;

/** What an edit gives back: the change, the notes chosen after it, what to say, and what to look out for. */
final readonly class Outcome
{
    /**
     * @param  string  $said  one sentence for people
     * @param  list<string>  $warnings  a sentence each
     */
    public function __construct(
        public Change $change,
        public Selection $selection,
        public string $said,
        public array $warnings = [],
    ) {
    }

    public function warn(string ...$warnings): self
    {
        return new self($this->change, $this->selection, $this->said, [...$this->warnings, ...array_values($warnings)]);
    }
}

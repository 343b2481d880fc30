<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\Selection;

/** What an edit gives back: the change, what is selected after it, what to say, and what to look out for. */
final readonly class Outcome
{
    /**
     * @param  string  $said  one sentence for people
     * @param  list<string>  $warnings  a sentence each
     * @param  int|null  $caret  where writing goes on, in ticks; null where it stays
     * @param  array<int, PartSettings>  $settings  of parts whose settings were set, which is no step of the history
     * @param  Requires|null  $missing  what there would have to be, where nothing was done for want of it
     */
    public function __construct(
        public Change $change,
        public Selection $selection,
        public string $said,
        public array $warnings = [],
        public ?int $caret = null,
        public array $settings = [],
        public ?Requires $missing = null,
    ) {
    }

    public function warn(string ...$warnings): self
    {
        return new self($this->change, $this->selection, $this->said, [...$this->warnings, ...array_values($warnings)], $this->caret, $this->settings);
    }

    /** With another change, and something said besides. */
    public function with(Change $change, string $besides): self
    {
        return new self($change, $this->selection, trim("$this->said $besides"), $this->warnings, $this->caret, $this->settings);
    }

    /** With something else selected. */
    public function selecting(Selection $selection): self
    {
        return new self($this->change, $selection, $this->said, $this->warnings, $this->caret, $this->settings);
    }

    /** Where writing goes on. */
    public function caretAt(int $tick): self
    {
        return new self($this->change, $this->selection, $this->said, $this->warnings, $tick, $this->settings);
    }
}

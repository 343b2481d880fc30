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
     * @param  list<mixed>|null  $tried  of an edit whose values are tried one after another: those that make it another try; null of
     *                                   all others
     */
    public function __construct(
        public Change $change,
        public Selection $selection,
        public string $said,
        public array $warnings = [],
        public ?int $caret = null,
        public array $settings = [],
        public ?Requires $missing = null,
        public ?array $tried = null,
    ) {
    }

    public function warn(string ...$warnings): self
    {
        return $this->but(warnings: [...$this->warnings, ...array_values($warnings)]);
    }

    /** With another change, and something said besides. */
    public function with(Change $change, string $besides): self
    {
        return $this->but($change, said: trim("$this->said $besides"));
    }

    /** With something else selected. */
    public function selecting(Selection $selection): self
    {
        return $this->but(selection: $selection);
    }

    /** Where writing goes on. */
    public function caretAt(int $tick): self
    {
        return $this->but(caret: $tick);
    }

    /** @param  list<mixed>  $values  with which it is another try */
    public function trying(array $values): self
    {
        return $this->but(tried: $values);
    }

    /**
     * @param  list<string>|null  $warnings
     * @param  list<mixed>|null  $tried
     */
    private function but(?Change $change = null, ?Selection $selection = null, ?string $said = null, ?array $warnings = null, ?int $caret = null, ?array $tried = null): self
    {
        return new self($change ?? $this->change, $selection ?? $this->selection, $said ?? $this->said, $warnings ?? $this->warnings, $caret ?? $this->caret, $this->settings, tried: $tried ?? $this->tried);
    }
}

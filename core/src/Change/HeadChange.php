<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;

/** A part put in, taken away, or changed in what it is beside its notes. Turned round, it is its own exact inverse. */
final readonly class HeadChange
{
    /**
     * @param  PartHead|null  $before  null for a part that was not there
     * @param  PartHead|null  $after  null for one that is taken away; what is in it is kept out of sight
     * @param  PartSettings|null  $settings  what a new part starts with; null for what every part does
     */
    public function __construct(public ?PartHead $before, public ?PartHead $after, public ?PartSettings $settings = null)
    {
    }

    public function inverse(): self
    {
        return new self($this->after, $this->before, $this->settings);
    }

    public function isEmpty(): bool
    {
        return $this->before == $this->after;
    }

    /** Ticks by which it moves the part's contents. */
    public function shift(): int
    {
        return $this->before === null || $this->after === null ? 0 : $this->after->origin - $this->before->origin;
    }
}

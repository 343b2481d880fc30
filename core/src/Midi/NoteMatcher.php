<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/**
 * The note-ons and note-offs of one pitch and channel, in order of time, and which end belongs to which beginning: first
 * in, first out. Where the ends do not suffice, a note that is struck again before it ended ends there, as many as are
 * wanting; a last one has no end.
 */
final class NoteMatcher
{
    /** @var list<int> the order of an on, or that of an off below 0 */
    private array $events = [];

    /** @var list<int> */
    private array $loose = [];

    public function on(int $order): void
    {
        $this->events[] = $order;
    }

    public function off(int $order): void
    {
        $this->events[] = -$order;
    }

    /**
     * Each beginning with its end.
     *
     * @return array<int, int> by order of the on: the order of the off; below 0 that of the on at which it ends; 0 for none
     */
    public function match(): array
    {
        $matched = $this->loose = [];
        $wanting = $this->wanting();
        /** @var list<int> $waiting */
        $waiting = [];
        // Taken from the front without moving the rest.
        $first = $last = 0;
        foreach ($this->events as $i => $event) {
            if ($event > 0) {
                if ($first < $last && isset($wanting[$i])) {
                    $matched[$waiting[$first++]] = -$event;
                }
                $waiting[] = $event;
                $last++;
            } elseif ($first < $last) {
                $matched[$waiting[$first++]] = -$event;
            } else {
                $this->loose[] = -$event;
            }
        }
        for (; $first < $last; $first++) {
            $matched[$waiting[$first]] = 0;
        }

        return $matched;
    }

    /** @return list<int> orders of the offs that ended nothing, once it was matched */
    public function loose(): array
    {
        return $this->loose;
    }

    /**
     * At which beginnings one before has to end: in the last stretch that does not come to rest, the first ones, as many
     * as ends are wanting.
     *
     * @return array<int, true> by place
     */
    private function wanting(): array
    {
        $open = $begun = 0;
        foreach ($this->events as $i => $event) {
            if ($event > 0) {
                $begun = $open === 0 ? $i : $begun;
                $open++;
            } elseif ($open > 0) {
                $open--;
            }
        }
        $wanting = [];
        $sounding = 0;
        for ($i = $begun; $open > 0 && $i < count($this->events); $i++) {
            if ($this->events[$i] < 0) {
                $sounding = max(0, $sounding - 1);
            } elseif ($sounding > 0) {
                $wanting[$i] = true;
                $open--;
            } else {
                $sounding++;
            }
        }

        return $wanting;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/**
 * The note-ons and note-offs of one pitch and channel, in order of time, and which end belongs to which beginning: first
 * in, first out. Where the ends do not suffice, a note that is struck again before it ended ends there, as many as are
 * wanting; a last one has no end.
 */
final class Pairs
{
    /** @var list<int|array{int, int, int}> the order of an on; order, tick and release of an off */
    private array $events = [];

    /** @var list<array{int, int, int}> */
    private array $loose = [];

    public function on(int $order): void
    {
        $this->events[] = $order;
    }

    public function off(int $order, int $tick, int $release): void
    {
        $this->events[] = [$order, $tick, $release];
    }

    /**
     * Each beginning with its end.
     *
     * @return list<array{int, int|array{int, int, int}|null}> the order of the on, and the off, or the order of the on
     *                                                         at which it ends, or null
     */
    public function match(): array
    {
        $matched = $this->loose = [];
        $wanting = $this->wanting();
        /** @var list<int> $waiting */
        $waiting = [];
        // Taken from the front without moving the rest.
        $first = 0;
        foreach ($this->events as $i => $event) {
            if (is_int($event)) {
                if ($first < count($waiting) && ($wanting[$i] ?? 0) > 0) {
                    $matched[] = [$waiting[$first++], $event];
                }
                $waiting[] = $event;
            } elseif ($first < count($waiting)) {
                $matched[] = [$waiting[$first++], $event];
            } else {
                $this->loose[] = $event;
            }
        }
        for (; $first < count($waiting); $first++) {
            $matched[] = [$waiting[$first], null];
        }

        return $matched;
    }

    /** @return list<array{int, int, int}> the offs that ended nothing, once it was matched */
    public function loose(): array
    {
        return $this->loose;
    }

    /**
     * At which beginnings one before has to end: in the last stretch that does not come to rest, the first ones, as many
     * as ends are wanting.
     *
     * @return array<int, int> by place
     */
    private function wanting(): array
    {
        $open = $begun = 0;
        foreach ($this->events as $i => $event) {
            if (is_int($event)) {
                $begun = $open === 0 ? $i : $begun;
                $open++;
            } elseif ($open > 0) {
                $open--;
            }
        }
        $wanting = [];
        $sounding = 0;
        for ($i = $begun; $open > 0 && $i < count($this->events); $i++) {
            if (! is_int($this->events[$i])) {
                $sounding = max(0, $sounding - 1);
            } elseif ($sounding > 0) {
                $wanting[$i] = 1;
                $open--;
            } else {
                $sounding++;
            }
        }

        return $wanting;
    }
}

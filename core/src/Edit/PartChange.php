<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;

/**
 * What a change does to one part: how the notes and points it touches were, and how they are after it. One that is
 * only `before` is dropped, one that is only `after` is put in. Turned round, it is its own exact inverse.
 */
final readonly class PartChange
{
    /**
     * @param  array<int, Note>  $before
     * @param  array<int, Note>  $after
     * @param  array<int, Point>  $pointsBefore
     * @param  array<int, Point>  $pointsAfter
     */
    public function __construct(
        public array $before,
        public array $after,
        public array $pointsBefore = [],
        public array $pointsAfter = [],
    ) {
    }

    public function inverse(): self
    {
        return new self($this->after, $this->before, $this->pointsAfter, $this->pointsBefore);
    }

    public function applyTo(Part $part): Part
    {
        return $part->with(
            self::merge($part->notes, $this->before, $this->after),
            self::merge($part->points, $this->pointsBefore, $this->pointsAfter),
            max($part->nextNote, 1 + ($this->after === [] ? 0 : max(array_keys($this->after)))),
            max($part->nextPoint, 1 + ($this->pointsAfter === [] ? 0 : max(array_keys($this->pointsAfter)))),
        );
    }

    /** @return list<int> ids of the notes that it takes away */
    public function dropped(): array
    {
        return array_keys(array_diff_key($this->before, $this->after));
    }

    public function isEmpty(): bool
    {
        return $this->before === [] && $this->after === [] && $this->pointsBefore === [] && $this->pointsAfter === [];
    }

    /**
     * @template T
     *
     * @param  array<int, T>  $all
     * @param  array<int, T>  $before
     * @param  array<int, T>  $after
     * @return array<int, T> ids ascending
     */
    private static function merge(array $all, array $before, array $after): array
    {
        foreach ($before as $id => $_) {
            if (! isset($after[$id])) {
                unset($all[$id]);
            }
        }
        $last = array_key_last($all) ?? 0;
        $sorted = true;
        foreach ($after as $id => $one) {
            if (! isset($all[$id])) {
                $sorted = $sorted && $id > $last;
                $last = $id;
            }
            $all[$id] = $one;
        }
        if (! $sorted) {
            ksort($all);
        }

        return $all;
    }
}

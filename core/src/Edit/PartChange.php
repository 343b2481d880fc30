<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * What a change does to one part: how the notes and points it touches were, and how they are after it; and the part's
 * head, where that changes. One that is only `before` is dropped, one that is only `after` is put in. Turned round, it
 * is its own exact inverse.
 *
 * Where the head moves the contents, what is `before` stands where it was and what is `after` where it comes to; all
 * the rest goes along.
 */
final readonly class PartChange
{
    /**
     * @param  array<int, Note>  $before
     * @param  array<int, Note>  $after
     * @param  array<int, Point>  $pointsBefore
     * @param  array<int, Point>  $pointsAfter
     * @param  int  $unlike  the columns in which notes that stay may be otherwise, a bit each, as `Note::unlike` sets them
     * @param  int  $pointsUnlike  likewise of points
     */
    public function __construct(
        public array $before = [],
        public array $after = [],
        public array $pointsBefore = [],
        public array $pointsAfter = [],
        public ?HeadChange $head = null,
        public int $unlike = Table::ALL,
        public int $pointsUnlike = Table::ALL,
    ) {
    }

    public function inverse(): self
    {
        return new self($this->after, $this->before, $this->pointsAfter, $this->pointsBefore, $this->head?->inverse(), $this->unlike, $this->pointsUnlike);
    }

    /** @param  Part|null  $part  null where it was never there */
    public function applyTo(?Part $part, int $id): Part
    {
        $head = $this->head?->after;
        $part ??= new Part($id, $head ?? throw new \LogicException("There is no part $id."), Rows::of(Table::notes(), []), Rows::of(Table::points(), []), $this->head?->settings);
        if ($head !== null) {
            $part = $part->withHead($head);
        }
        if ($this->before + $this->after + $this->pointsBefore + $this->pointsAfter === []) {
            return $part;
        }

        return $part->with(
            // What goes along with a head stands elsewhere without being otherwise.
            $part->notes->with($this->before, $this->after, $head === null ? $this->unlike : Table::ALL),
            $part->points->with($this->pointsBefore, $this->pointsAfter, $head === null ? $this->pointsUnlike : Table::ALL),
            max($part->nextNote, 1 + ($this->after === [] ? 0 : max(array_keys($this->after)))),
            max($part->nextPoint, 1 + ($this->pointsAfter === [] ? 0 : max(array_keys($this->pointsAfter)))),
        );
    }

    /** This and then another, as one. */
    public function then(self $later): self
    {
        $back = -($this->head?->shift() ?? 0);
        $on = $later->head?->shift() ?? 0;
        $head = $this->head === null || $later->head === null ? $this->head ?? $later->head
            : new HeadChange($this->head->before, $later->head->after, $this->head->settings ?? $later->head->settings);
        if ($head !== null && $head->before === null && $head->after === null) {
            // Put in and taken away again: it was never there.
            return new self;
        }

        return new self(
            $this->before + self::notes(array_diff_key($later->before, $this->after), $back),
            $later->after + self::notes(array_diff_key($this->after, $later->before), $on),
            $this->pointsBefore + self::points(array_diff_key($later->pointsBefore, $this->pointsAfter), $back),
            $later->pointsAfter + self::points(array_diff_key($this->pointsAfter, $later->pointsBefore), $on),
            $head?->isEmpty() === true ? null : $head,
            // What is taken away and put in again may be otherwise in anything.
            $head === null && array_intersect_key(array_diff_key($this->before, $this->after), $later->after) === [] ? $this->unlike | $later->unlike : Table::ALL,
            $head === null && array_intersect_key(array_diff_key($this->pointsBefore, $this->pointsAfter), $later->pointsAfter) === [] ? $this->pointsUnlike | $later->pointsUnlike : Table::ALL,
        );
    }

    /** Whether nothing comes or goes, and no note that stays is otherwise in one of these columns; where that is not known, it may be. */
    public function leaves(string ...$columns): bool
    {
        return $this->head === null && ($this->unlike & Table::notes()->bit(...$columns)) === 0 && count($this->before) === count($this->after) && $this->dropped() === [];
    }

    /** @return list<int> ids of the notes that it takes away */
    public function dropped(): array
    {
        return array_keys(array_diff_key($this->before, $this->after));
    }

    /** @return list<int> ids of the points that it takes away */
    public function droppedPoints(): array
    {
        return array_keys(array_diff_key($this->pointsBefore, $this->pointsAfter));
    }

    public function isEmpty(): bool
    {
        return $this->head === null && $this->before === [] && $this->after === [] && $this->pointsBefore === [] && $this->pointsAfter === [];
    }

    /**
     * @param  array<int, Note>  $notes
     * @return array<int, Note>
     */
    private static function notes(array $notes, int $by): array
    {
        return $by === 0 ? $notes : array_map(static fn (Note $n): Note => $n->exactly(['start' => $n->start + $by]), $notes);
    }

    /**
     * @param  array<int, Point>  $points
     * @return array<int, Point>
     */
    private static function points(array $points, int $by): array
    {
        return $by === 0 ? $points : array_map(static fn (Point $p): Point => $p->movedTo($p->tick + $by), $points);
    }
}

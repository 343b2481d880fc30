<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * What a change does to one part: to its notes, to its points, and to its head. Turned round, it is its own exact inverse.
 *
 * Where the head moves the contents, what is `before` stands where it was and what is `after` where it comes to; all
 * the rest goes along.
 */
final readonly class PartChange
{
    /** @var RowsChange<Note> */
    public RowsChange $notes;

    /** @var RowsChange<Point> */
    public RowsChange $points;

    /**
     * @param  RowsChange<Note>|null  $notes  null: none is touched
     * @param  RowsChange<Point>|null  $points  likewise
     */
    public function __construct(?RowsChange $notes = null, ?RowsChange $points = null, public ?HeadChange $head = null)
    {
        $this->notes = $notes ?? RowsChange::of(Table::notes());
        $this->points = $points ?? RowsChange::of(Table::points());
    }

    public function inverse(): self
    {
        return new self($this->notes->inverse(), $this->points->inverse(), $this->head?->inverse());
    }

    /** @param  Part|null  $part  null where it was never there */
    public function applyTo(?Part $part, int $id): Part
    {
        $head = $this->head?->after;
        $part ??= new Part($id, $head ?? throw new \LogicException("There is no part $id."), Rows::of(Table::notes(), []), Rows::of(Table::points(), []), $this->head?->settings);
        if ($head !== null) {
            $part = $part->withHead($head);
        }
        if (! $this->hasContents()) {
            return $part;
        }
        // What goes along with a head stands elsewhere without being otherwise.
        $notes = $this->notes->applyTo($part->notes, $head !== null);
        $points = $this->points->applyTo($part->points, $head !== null);

        return $part->with($notes, $points, self::next($part->nextNote, $this->notes), self::next($part->nextPoint, $this->points));
    }

    /** This and then another, as one. */
    public function then(self $later): self
    {
        $head = $this->head === null || $later->head === null ? $this->head ?? $later->head
            : new HeadChange($this->head->before, $later->head->after, $this->head->settings ?? $later->head->settings);
        if ($head !== null && $head->before === null && $head->after === null) {
            // Put in and taken away again: it was never there.
            return new self;
        }
        $shifts = [-($this->head?->shift() ?? 0), $later->head?->shift() ?? 0, $head === null];

        return new self($this->notes->then($later->notes, ...$shifts), $this->points->then($later->points, ...$shifts), $head?->isEmpty() === true ? null : $head);
    }

    /** Whether no head changes, nothing comes or goes, and no note that stays is otherwise in one of these columns; where that is not known, it may be. */
    public function leaves(string ...$columns): bool
    {
        return $this->head === null && $this->notes->leaves(...$columns);
    }

    /** Whether it touches anything that is in the part. */
    public function hasContents(): bool
    {
        return ! $this->notes->isEmpty() || ! $this->points->isEmpty();
    }

    public function isEmpty(): bool
    {
        return $this->head === null && ! $this->hasContents();
    }

    /**
     * The id that comes next where these are put in.
     *
     * @param  RowsChange<covariant Note|Point>  $sides
     */
    private static function next(int $next, RowsChange $sides): int
    {
        return max([$next, ...array_map(static fn (int $id): int => $id + 1, array_keys($sides->coming()))]);
    }
}

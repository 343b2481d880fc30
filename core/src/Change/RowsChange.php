<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * What a change does to the notes, or to the points, of one part. Some go, some come; of those that stay it holds the
 * columns that change, before and after. Objects are made of them only where somebody asks for objects.
 *
 * @template T of Note|Point
 */
final class RowsChange
{
    /** The columns that change in those that stay, a bit each, as `Table::changedColumns` sets them. */
    public readonly int $changedColumns;

    /** @var array<int, T>|null made when it is asked for */
    private ?array $before = null;

    /** @var array<int, T>|null likewise */
    private ?array $after = null;

    /**
     * @param  Table<T>  $table
     * @param  array<int, T>  $going  by id
     * @param  array<int, T>  $coming  by id
     * @param  list<int>  $ids  of those that stay, ascending
     * @param  array<string, list<mixed>>  $was  columns before, by name, in the order of the ids
     * @param  array<string, list<mixed>>  $is  the same columns after
     * @param  Rows<T>|null  $rows  what those that stay are of, on whichever side; null where none stays
     */
    private function __construct(
        private readonly Table $table,
        private readonly array $going,
        private readonly array $coming,
        private readonly array $ids = [],
        private readonly array $was = [],
        private readonly array $is = [],
        private readonly ?Rows $rows = null,
    ) {
        $this->changedColumns = $is === [] ? 0 : $table->bit(...array_keys($is));
    }

    /**
     * Out of objects: one that is only before goes, one that is only after comes, the others stay.
     *
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  array<int, U>  $before
     * @param  array<int, U>  $after
     * @param  int  $changedColumns  the columns in which those that stay may differ, a bit each
     * @return self<U>
     */
    public static function of(Table $table, array $before = [], array $after = [], int $changedColumns = Table::ALL): self
    {
        $stay = array_intersect_key($after, $before);
        if (! Ids::areAscending(array_keys($stay))) {
            ksort($stay);
        }
        $ids = array_keys($stay);
        $old = array_map(static fn (int $id): Note|Point => $before[$id], $ids);
        $was = $is = [];
        foreach ($ids === [] ? [] : $table->named($changedColumns) as $name) {
            [$then, $now] = [array_column($old, $name), array_column($stay, $name)];
            if ($then !== $now) {
                [$was[$name], $is[$name]] = [$then, $now];
            }
        }
        /** @var self<U> $change */
        $change = new self($table, array_diff_key($before, $after), array_diff_key($after, $before), $ids, $was, $is, $ids === [] ? null : Rows::of($table, $stay));
        [$change->before, $change->after] = [$before, $after];

        return $change;
    }

    /**
     * Out of columns: all stay.
     *
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  Rows<U>  $rows  as they are on either side of the change
     * @param  list<int>  $ids  of those that change, ascending
     * @param  array<string, list<mixed>>  $was  columns before, by name, in the order of the ids
     * @param  array<string, list<mixed>>  $is  the same columns after
     * @return self<U>
     */
    public static function columns(Table $table, Rows $rows, array $ids, array $was, array $is): self
    {
        return new self($table, [], [], $ids, $was, $is, $rows);
    }

    /** @return array<int, T> those that go or stay, as they were */
    public function before(): array
    {
        return $this->before ??= $this->made($this->was) + $this->going;
    }

    /** @return array<int, T> those that come or stay, as they are */
    public function after(): array
    {
        return $this->after ??= $this->made($this->is) + $this->coming;
    }

    public function isEmpty(): bool
    {
        return $this->ids === [] && $this->going === [] && $this->coming === [];
    }

    /** @return array<int, T> those that it takes away */
    public function going(): array
    {
        return $this->going;
    }

    /** @return array<int, T> those that it puts in */
    public function coming(): array
    {
        return $this->coming;
    }

    /** @return list<int> ids of those that stay, ascending */
    public function staying(): array
    {
        return $this->ids;
    }

    /** @return list<int> ids of those that are there after it */
    public function touched(): array
    {
        return [...$this->ids, ...array_keys($this->coming)];
    }

    /**
     * One column of those that stay.
     *
     * @return array{list<mixed>, list<mixed>} before and after, in the order of their ids
     */
    public function column(string $name): array
    {
        return isset($this->is[$name]) ? [$this->was[$name], $this->is[$name]] : array_fill(0, 2, $this->rows?->values($name, $this->ids) ?? []);
    }

    /**
     * Likewise one of whole numbers.
     *
     * @return array{list<int>, list<int>}
     */
    public function integers(string $name): array
    {
        /** @var array{list<int>, list<int>} */
        return $this->column($name);
    }

    /** By how much a column of whole numbers becomes more in each of those that stay; null where it is not the same in all, or none stays. */
    public function by(string $name): ?int
    {
        [$was, $is] = $this->column($name);
        if (! is_int($is[0] ?? null) || ! is_int($was[0] ?? null)) {
            return null;
        }
        $by = $is[0] - $was[0];
        foreach ($is as $i => $value) {
            if (! is_int($value) || ! is_int($was[$i]) || $value - $was[$i] !== $by) {
                return null;
            }
        }

        return $by;
    }

    /** Whether nothing comes or goes, and none of these columns changes in those that stay. */
    public function leaves(string ...$columns): bool
    {
        return $this->onlyStays() && ($this->changedColumns & $this->table->bit(...$columns)) === 0;
    }

    /** @return self<T> */
    public function inverse(): self
    {
        $inverse = new self($this->table, $this->coming, $this->going, $this->ids, $this->is, $this->was, $this->rows);
        [$inverse->before, $inverse->after] = [$this->after, $this->before];

        return $inverse;
    }

    /**
     * The rows after it.
     *
     * @param  Rows<T>  $rows
     * @param  bool  $carried  whether they stand elsewhere than before it, carried by the part's head
     * @return Rows<T>
     */
    public function applyTo(Rows $rows, bool $carried): Rows
    {
        return $carried || ! $this->onlyStays() || count($this->ids) <= Rows::MANY
            ? $rows->with($this->before(), $this->after(), $carried ? Table::ALL : $this->changedColumns)
            : $rows->withColumns($this->ids, $this->is);
    }

    /**
     * This and then another, as one.
     *
     * @param  self<T>  $later
     * @param  int  $back  ticks by which what is only touched later stood earlier before both
     * @param  int  $on  ticks by which what is only touched first stands later after both
     * @param  bool  $known  whether no head carried them meanwhile
     * @return self<T>
     */
    public function then(self $later, int $back = 0, int $on = 0, bool $known = true): self
    {
        if ($this->onlyStays() && $later->onlyStays() && $this->ids === $later->ids && $back === 0 && $on === 0 && $this->rows !== null) {
            return self::columns($this->table, $this->rows, $this->ids, $this->was + $later->was, $later->is + $this->is);
        } elseif ($this->isEmpty() && $back === 0 && $known) {
            return $later;
        } elseif ($later->isEmpty() && $on === 0 && $known) {
            return $this;
        }

        return self::of(
            $this->table,
            $this->before() + $this->moved(array_diff_key($later->before(), $this->after()), $back),
            $later->after() + $this->moved(array_diff_key($this->after(), $later->before()), $on),
            // What is taken away and put in again may differ in anything.
            $known && array_intersect_key($this->going, $later->after()) === [] ? $this->changedColumns | $later->changedColumns : Table::ALL,
        );
    }

    private function onlyStays(): bool
    {
        return $this->going === [] && $this->coming === [];
    }

    /**
     * @param  array<int, T>  $things
     * @return array<int, T>
     */
    private function moved(array $things, int $by): array
    {
        $place = $this->table->place;

        // @phpstan-ignore return.type (one with another place is of the same kind)
        return $by === 0 ? $things : array_map(static fn (Note|Point $t): Note|Point => $t->exactly([$place => $by + ($t instanceof Note ? $t->start : $t->tick)]), $things);
    }

    /**
     * @param  array<string, list<mixed>>  $columns
     * @return array<int, T>
     */
    private function made(array $columns): array
    {
        $made = [];
        foreach ($this->ids as $i => $id) {
            $made[$id] = ($this->rows[$id] ?? throw new \LogicException("There is no $id."))->exactly(array_map(static fn (array $values): mixed => $values[$i], $columns));
        }

        // @phpstan-ignore return.type (likewise)
        return $made;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * What a change does to the notes, or to the points, of one part: how those it touches were, and how they are after it.
 * One that is only `before` goes, one that is only `after` comes, the others stay.
 *
 * Where all stay, it can be made of those columns that become otherwise; then nothing is made of it but what is asked for.
 *
 * @template T of Note|Point
 */
final class RowsChange
{
    /** @var array{array<int, T>, array<int, T>}|null those that stay, before and after, in the order of their ids */
    private ?array $stay = null;

    /**
     * @param  Table<T>  $table
     * @param  array<int, T>|null  $before  null while it is only columns
     * @param  array<int, T>|null  $after
     * @param  int  $changedColumns  the columns in which those that stay may be otherwise, a bit each, as `Table::changedColumns` sets them
     * @param  Rows<T>|null  $rows  what the columns are of, on whichever side
     * @param  list<int>  $ids  of those that the columns are of, ascending
     * @param  array<string, list<mixed>>  $was  columns before, by name
     * @param  array<string, list<mixed>>  $is  after
     */
    private function __construct(
        private readonly Table $table,
        private ?array $before,
        private ?array $after,
        public readonly int $changedColumns,
        private readonly ?Rows $rows = null,
        private readonly array $ids = [],
        private readonly array $was = [],
        private readonly array $is = [],
    ) {
    }

    /**
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  array<int, U>  $before
     * @param  array<int, U>  $after
     * @return self<U>
     */
    public static function of(Table $table, array $before = [], array $after = [], int $changedColumns = Table::ALL): self
    {
        return new self($table, $before, $after, $changedColumns);
    }

    /**
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  Rows<U>  $rows  as they stand on either side of the change
     * @param  list<int>  $ids  of those that become otherwise, ascending
     * @param  array<string, list<mixed>>  $was  columns before, by name, in the order of the ids
     * @param  array<string, list<mixed>>  $is  the same columns after
     * @return self<U>
     */
    public static function columns(Table $table, Rows $rows, array $ids, array $was, array $is): self
    {
        return new self($table, null, null, $table->bit(...array_keys($is)), $rows, $ids, $was, $is);
    }

    /** @return array<int, T> those that go, or become otherwise, as they were */
    public function before(): array
    {
        return $this->before ??= $this->made($this->was);
    }

    /** @return array<int, T> those that come, or become otherwise, as they are */
    public function after(): array
    {
        return $this->after ??= $this->made($this->is);
    }

    public function isEmpty(): bool
    {
        return $this->rows === null ? $this->before === [] && $this->after === [] : $this->ids === [];
    }

    /** @return array<int, T> those that it takes away */
    public function going(): array
    {
        return $this->rows === null ? array_diff_key($this->before(), $this->after()) : [];
    }

    /** @return array<int, T> those that it puts in */
    public function coming(): array
    {
        return $this->rows === null ? array_diff_key($this->after(), $this->before()) : [];
    }

    /** @return list<int> ids of those that stay, ascending */
    public function staying(): array
    {
        if ($this->rows !== null) {
            return $this->ids;
        }
        $ids = array_keys($this->before());
        if ($ids !== array_keys($this->after())) {
            $ids = array_keys(array_intersect_key($this->before(), $this->after()));
        }
        if (! Ids::areAscending($ids)) {
            sort($ids);
        }

        return $ids;
    }

    /** @return list<int> ids of those that are there after it */
    public function touched(): array
    {
        return $this->rows === null ? array_keys($this->after()) : $this->ids;
    }

    /**
     * One column of those that stay.
     *
     * @return array{list<mixed>, list<mixed>} before and after, in the order of their ids
     */
    public function column(string $name): array
    {
        if ($this->rows !== null) {
            return isset($this->is[$name]) ? [$this->was[$name], $this->is[$name]] : array_fill(0, 2, $this->rows->values($name, $this->ids));
        }
        if ($this->stay === null) {
            $this->stay = [$this->before(), $this->after()];
            $ids = $this->staying();
            if ($ids !== array_keys($this->before()) || $ids !== array_keys($this->after())) {
                $this->stay = [[], []];
                foreach ($ids as $id) {
                    $this->stay[0][] = $this->before()[$id];
                    $this->stay[1][] = $this->after()[$id];
                }
            }
        }

        return [array_column($this->stay[0], $name), array_column($this->stay[1], $name)];
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

    /** Whether nothing comes or goes, and none that stays is otherwise in one of these columns; where that is not known, it may be. */
    public function leaves(string ...$columns): bool
    {
        return ($this->changedColumns & $this->table->bit(...$columns)) === 0 && ($this->rows !== null || (count($this->before()) === count($this->after()) && $this->going() === []));
    }

    /** @return self<T> */
    public function inverse(): self
    {
        return new self($this->table, $this->after, $this->before, $this->changedColumns, $this->rows, $this->ids, $this->is, $this->was);
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
        return $this->rows === null || $carried || count($this->ids) <= Rows::MANY
            ? $rows->with($this->before(), $this->after(), $carried ? Table::ALL : $this->changedColumns)
            : $rows->withColumns($this->ids, $this->is);
    }

    /**
     * This and then another, as one.
     *
     * @param  self<T>  $later
     * @param  int  $back  ticks by which what is only touched later stood earlier before both
     * @param  int  $on  ticks by which what is only touched first stands later after both
     * @return self<T>
     */
    public function then(self $later, int $back = 0, int $on = 0, bool $known = true): self
    {
        if ($this->rows !== null && $later->rows !== null && $this->ids === $later->ids && $back === 0 && $on === 0) {
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
            // What is taken away and put in again may be otherwise in anything.
            $known && array_intersect_key($this->going(), $later->after()) === [] ? $this->changedColumns | $later->changedColumns : Table::ALL,
        );
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

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * The notes or the points of a part, by id. They lie packed, a string a column, and objects are made only of those
 * that are asked for: so work grows with what is touched. Nothing changes once it is made: `with`, `withColumns` and
 * `moved` give others.
 *
 * @template T of Note|Point
 *
 * @implements \ArrayAccess<int, T>
 * @implements \IteratorAggregate<int, T>
 */
final class Rows implements \ArrayAccess, \Countable, \IteratorAggregate
{
    /** @use ReadAsArray<T> */
    use ReadAsArray;

    use ReadAsNumbers;

    /** From how many changed at once all are packed anew, instead of each being put in its place. */
    public const MANY = 48;

    /** @var array<int, T>|null all of them, ids ascending; null while only some were asked for */
    private ?array $all = null;

    /** @var array<int, T> those made so far */
    private array $made = [];

    /** @var array<string, list<mixed>> columns that were asked for */
    private array $columns = [];

    /** @var array{list<int>, list<int>} the ids that were asked for last, and where they lie */
    private array $asked = [[], []];

    /** @var Packed<T>|null null while they are only objects, or not read */
    private ?Packed $packed = null;

    /** @var self<T>|null what it is like but for some columns: the others need not be packed anew */
    private ?self $like = null;

    private int $changedColumns = Table::ALL;

    /** @var (\Closure(): string)|null gives the document, when it is asked for */
    private ?\Closure $source = null;

    /** @var int ticks by which they stand later than the document says */
    private int $shift = 0;

    /** @param  Table<T>  $table */
    private function __construct(private readonly Table $table)
    {
    }

    /**
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  array<int, U>  $things  by id
     * @return self<U>
     */
    public static function of(Table $table, array $things): self
    {
        /** @var self<U> $rows */
        $rows = new self($table);
        ksort($things);
        $rows->all = $things;

        return $rows;
    }

    /**
     * Out of columns, without any of them being made.
     *
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  array<string, list<mixed>>  $columns  by name, in order of ids; those left out are the default throughout
     * @return self<U>
     */
    public static function made(Table $table, array $columns): self
    {
        /** @var self<U> $rows */
        $rows = new self($table);
        $rows->packed = (new Packed($table, ['id' => '']))->withColumns($columns);
        $rows->columns = $columns;

        return $rows;
    }

    /**
     * Out of what `bytes` wrote.
     *
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @param  string|\Closure(): string  $document
     * @param  int  $shift  ticks by which they stand later than is written
     * @return self<U>
     */
    public static function read(Table $table, string|\Closure $document, int $shift = 0): self
    {
        /** @var self<U> $rows */
        $rows = new self($table);
        [$rows->source, $rows->shift] = [is_string($document) ? static fn (): string => $document : $document, $shift];

        return $rows;
    }

    /** The table packed, with places less the origin. Equal things give equal bytes. */
    public function bytes(int $origin = 0): string
    {
        return $this->packed()->document($origin);
    }

    /** @return array<int, T> all, ids ascending */
    public function all(): array
    {
        if ($this->all !== null) {
            return $this->all;
        }
        $columns = [];
        foreach (array_keys($this->packed()->columns) as $name) {
            $columns[$name] = $this->column($name);
        }

        return $this->all = $this->table->read($columns);
    }

    /** @return list<int> ids, ascending */
    public function ids(): array
    {
        if ($this->all !== null) {
            return array_keys($this->all);
        }

        /** @var list<int> */
        return $this->column('id');
    }

    /**
     * One column of all, in order of ids.
     *
     * @return list<mixed>
     */
    public function column(string $name): array
    {
        return $this->columns[$name] ??= $this->all !== null ? array_column($this->all, $name) : $this->packed()->column($name);
    }

    /**
     * One column of some.
     *
     * @param  list<int>  $ids  of those that are there, ascending
     * @return list<mixed> in that order
     */
    public function values(string $name, array $ids): array
    {
        if (count($ids) < self::MANY) {
            return array_map(fn (int $id): mixed => $this[$id]->{$name}, $ids);
        } elseif ($ids === $this->ids()) {
            return $this->column($name);
        }
        [$column, $values] = [$this->column($name), []];
        foreach ($this->places($ids) as $at) {
            $values[] = $column[$at];
        }

        return $values;
    }

    /** The least place of all, as a tick; null where there is nothing. */
    public function least(): ?int
    {
        return $this->packed()->least();
    }

    /** Whether any of them has something else in a column than its default. */
    public function hasOther(string $name): bool
    {
        if ($this->packed === null && $this->like !== null && ($this->changedColumns & $this->table->bit($name)) === 0) {
            return $this->like->hasOther($name);
        }

        return $this->packed === null && $this->all !== null ? array_filter(array_column($this->all, $name), fn (mixed $v): bool => $v !== $this->table->columns[$name]->default) !== [] : isset($this->packed()->columns[$name]);
    }

    public function count(): int
    {
        return $this->all === null ? $this->packed()->count() : count($this->all);
    }

    public function isEmpty(): bool
    {
        return $this->count() === 0;
    }

    public function has(int $id): bool
    {
        return $this->all === null ? isset($this->made[$id]) || $this->packed()->has($id) : isset($this->all[$id]);
    }

    /** @return T|null */
    public function get(int $id): Note|Point|null
    {
        if ($this->all !== null) {
            return $this->all[$id] ?? null;
        }
        if (isset($this->made[$id])) {
            return $this->made[$id];
        }
        // Asked for one after another, all at once are cheaper.
        if (count($this->made) >= max(self::MANY, $this->count() >> 6)) {
            return $this->all()[$id] ?? null;
        }
        $thing = $this->packed()->get($id);

        return $thing === null ? null : $this->made[$id] = $thing;
    }

    /**
     * Those that stand at a tick.
     *
     * @return list<T>
     */
    public function at(int $tick): array
    {
        return $this->all === null ? $this->packed()->at($tick) : array_values(array_filter($this->all, fn (Note|Point $t): bool => $t->{$this->table->place} === $tick));
    }

    /**
     * Without some, and with others in their place or besides.
     *
     * @param  array<int, T>  $before  those that go, or give way to one of the same id
     * @param  array<int, T>  $after
     * @param  int  $changedColumns  the columns in which those that stay may be otherwise, a bit each
     * @return self<T>
     */
    public function with(array $before, array $after, int $changedColumns = Table::ALL): self
    {
        if ($before + $after === []) {
            return $this;
        } elseif ($this->all !== null || count($before) + count($after) > self::MANY) {
            return $this->among($before, $after, $changedColumns);
        }

        return $this->packedAs($this->packed()->with($before, $after));
    }

    /**
     * With some columns of some otherwise; where they are many, without any of them being made.
     *
     * @param  list<int>  $ids  of those that are there, ascending
     * @param  array<string, list<mixed>>  $values  by name of the column, in their order
     * @return self<T>
     */
    public function withColumns(array $ids, array $values): self
    {
        if ($ids !== $this->ids()) {
            foreach ($values as $name => $list) {
                $column = $this->column($name);
                foreach ($this->places($ids) as $i => $at) {
                    $column[$at] = $list[$i];
                }
                $values[$name] = array_values($column);
            }
        }
        $rows = $this->packedAs($this->packed()->withColumns($values));
        $rows->columns = $values + $this->columns;

        return $rows;
    }

    /**
     * All of them later by so many ticks.
     *
     * @return self<T>
     */
    public function moved(int $ticks): self
    {
        if ($ticks === 0) {
            return $this;
        }
        if ($this->source === null || $this->packed !== null) {
            return $this->packedAs($this->packed()->moved($ticks));
        }
        $rows = new self($this->table);
        [$rows->source, $rows->shift] = [$this->source, $this->shift + $ticks];

        return $rows;
    }

    /**
     * @param  array<int, T>  $before
     * @param  array<int, T>  $after
     * @return self<T>
     */
    private function among(array $before, array $after, int $changedColumns): self
    {
        $all = array_diff_key($this->all(), array_diff_key($before, $after));
        $isSame = count($all) === $this->count();
        $last = array_key_last($all) ?? 0;
        $sorted = true;
        foreach ($after as $id => $thing) {
            if (! isset($all[$id])) {
                $isSame = false;
                $sorted = $sorted && $id > $last;
                $last = $id;
            }
            $all[$id] = $thing;
        }
        if (! $sorted) {
            ksort($all);
        }
        $rows = new self($this->table);
        $rows->all = $all;
        if ($isSame && $changedColumns !== Table::ALL) {
            // Where this is not packed yet either, they are like what it is like.
            $waits = $this->packed === null && $this->like !== null;
            [$rows->like, $rows->changedColumns] = $waits ? [$this->like, $this->changedColumns | $changedColumns] : [$this, $changedColumns];
        }

        return $rows;
    }

    /**
     * Where things lie in the columns.
     *
     * @param  list<int>  $ids  ascending
     * @return list<int>
     */
    private function places(array $ids): array
    {
        if ($this->asked[0] !== $ids) {
            [$all, $places, $at] = [$this->ids(), [], 0];
            foreach ($ids as $id) {
                while (($all[$at] ?? throw new \LogicException("There is no $id.")) !== $id) {
                    $at++;
                }
                $places[] = $at++;
            }
            $this->asked = [$ids, $places];
        }

        return $this->asked[1];
    }

    /**
     * @param  Packed<T>  $packed
     * @return self<T>
     */
    private function packedAs(Packed $packed): self
    {
        $rows = new self($this->table);
        $rows->packed = $packed;

        return $rows;
    }

    /** @return Packed<T> */
    private function packed(): Packed
    {
        if ($this->packed !== null) {
            return $this->packed;
        }
        if ($this->all === null) {
            return $this->packed = Packed::read($this->table, $this->source === null ? pack('V', 0) : ($this->source)(), $this->shift);
        }
        $like = $this->like?->packed();
        $columns = [];
        foreach ($this->table->named($like === null ? Table::ALL : $this->changedColumns) as $name) {
            $columns[$name] = array_column($this->all, $name);
        }
        $this->like = null;

        return $this->packed = ($like ?? new Packed($this->table, ['id' => '']))->withColumns($columns);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * The notes or the points of a part, by id. They lie packed, a string a column, and objects are made only of those
 * that are asked for: so work grows with what is touched. Nothing changes once it is made: `with` and `moved` give
 * others.
 *
 * @template T of Note|Point
 *
 * @implements \ArrayAccess<int, T>
 * @implements \IteratorAggregate<int, T>
 */
final class Rows implements \ArrayAccess, \Countable, \IteratorAggregate
{
    /** From how many changed at once all are packed anew, instead of each being put in its place. */
    private const MANY = 48;

    /** @var array<int, T>|null all of them, ids ascending; null while only some were asked for */
    private ?array $all = null;

    /** @var array<int, T> those made so far */
    private array $made = [];

    /** @var array<string, string>|null a packed string a column, places less the shift; null while they are only objects */
    private ?array $packed = null;

    /** @var self<T>|null what it is like but for some columns: the others need not be packed anew */
    private ?self $like = null;

    private int $unlike = Table::ALL;

    /** @var (\Closure(): string)|null gives the document, when it is asked for */
    private ?\Closure $source = null;

    /** @var int ticks to be added to every place that is packed */
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
        $packed = $this->shift === $origin || $this->count() === 0 ? $this->packed() : [$this->table->place => $this->places($origin)] + $this->packed();

        return Document::write($this->table, $packed, $this->count());
    }

    /** @return array<int, T> all, ids ascending */
    public function all(): array
    {
        if ($this->all !== null) {
            return $this->all;
        }
        $columns = [];
        foreach (array_keys($this->packed()) as $name) {
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
        if ($this->all !== null) {
            return array_column($this->all, $name);
        }
        [$column, $packed] = [$this->table->columns[$name], $this->packed()[$name] ?? null];
        if ($packed === null) {
            return array_fill(0, $this->count(), $column->default);
        }
        $values = $column->unpackAll($packed);
        $shift = $name === $this->table->place ? $this->shift : 0;

        return $shift === 0 ? $values : array_map(static fn (mixed $v): int => (is_int($v) ? $v : 0) + $shift, $values);
    }

    /** The least place of all, as a tick; null where there is nothing. */
    public function least(): ?int
    {
        $places = unpack('P*', $this->packed()[$this->table->place] ?? '') ?: [];

        return $places === [] || ! is_int($least = min($places)) ? null : $least + $this->shift;
    }

    /** Whether any of them has something else in a column than its default. */
    public function hasOther(string $name): bool
    {
        if ($this->packed === null && $this->like !== null && ($this->unlike & $this->table->bit($name)) === 0) {
            return $this->like->hasOther($name);
        }

        return $this->packed === null && $this->all !== null ? array_filter(array_column($this->all, $name), fn (mixed $v): bool => $v !== $this->table->columns[$name]->default) !== [] : isset($this->packed()[$name]);
    }

    public function count(): int
    {
        return $this->all === null ? strlen($this->packed()['id']) >> 2 : count($this->all);
    }

    public function isEmpty(): bool
    {
        return $this->count() === 0;
    }

    public function has(int $id): bool
    {
        return $this->all === null ? isset($this->made[$id]) || Ids::find($id, $this->packed()['id']) !== null : isset($this->all[$id]);
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
        $at = Ids::find($id, $this->packed()['id']);

        return $at === null ? null : $this->made[$id] = $this->make($at);
    }

    /**
     * Those that stand at a tick.
     *
     * @return list<T>
     */
    public function at(int $tick): array
    {
        if ($this->all !== null) {
            return array_values(array_filter($this->all, fn (Note|Point $t): bool => $t->{$this->table->place} === $tick));
        }
        $found = [];
        $packed = $this->packed();
        $places = $packed[$this->table->place];
        $wanted = pack('P', $tick - $this->shift);
        for ($i = strpos($places, $wanted); $i !== false; $i = strpos($places, $wanted, $i + 1)) {
            if ($i % 8 === 0) {
                $found[] = $this->make(intdiv($i, 8));
            }
        }

        return $found;
    }

    /**
     * Without some, and with others in their place or besides.
     *
     * @param  array<int, T>  $before  those that go, or give way to one of the same id
     * @param  array<int, T>  $after
     * @param  int  $unlike  the columns in which those that stay may be otherwise, a bit each
     * @return self<T>
     */
    public function with(array $before, array $after, int $unlike = Table::ALL): self
    {
        if ($before + $after === []) {
            return $this;
        } elseif ($this->all !== null || count($before) + count($after) > self::MANY) {
            return $this->among($before, $after, $unlike);
        }
        $rows = new self($this->table);
        $rows->shift = $this->shift;
        $rows->packed = $this->packed();
        foreach (array_keys(array_diff_key($before, $after)) as $id) {
            $at = Ids::find($id, $rows->packed()['id']);
            if ($at !== null) {
                foreach ($rows->packed as $name => $bytes) {
                    $width = $this->table->columns[$name]->width;
                    $rows->packed[$name] = substr_replace($bytes, '', $at * $width, $width);
                }
            }
        }
        foreach ($after as $id => $thing) {
            $rows->put($id, $thing);
        }
        $rows->packed = Document::canonical($this->table, $rows->packed(), $rows->count());

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
        $rows = new self($this->table);
        $rows->source = $this->source;
        // What is packed stays as it is: only the number by which it is shifted changes.
        $rows->packed = $this->source !== null && $this->packed === null ? null : $this->packed();
        $rows->shift = $this->shift + $ticks;

        return $rows;
    }

    public function offsetExists(mixed $offset): bool
    {
        return is_int($offset) && $this->has($offset);
    }

    public function offsetGet(mixed $offset): Note|Point
    {
        return (is_int($offset) ? $this->get($offset) : null) ?? throw new \OutOfBoundsException('There is nothing with the id '.print_r($offset, true).'.');
    }

    public function offsetSet(mixed $offset, mixed $value): never
    {
        throw new \LogicException('What a part holds is changed by a Change.');
    }

    public function offsetUnset(mixed $offset): never
    {
        throw new \LogicException('What a part holds is changed by a Change.');
    }

    /** @return \ArrayIterator<int, T> */
    public function getIterator(): \ArrayIterator
    {
        return new \ArrayIterator($this->all());
    }

    /**
     * @param  array<int, T>  $before
     * @param  array<int, T>  $after
     * @return self<T>
     */
    private function among(array $before, array $after, int $unlike): self
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
        if ($isSame && $unlike !== Table::ALL) {
            // Where this is not packed yet either, they are like what it is like.
            $waits = $this->packed === null && $this->like !== null;
            [$rows->like, $rows->unlike] = $waits ? [$this->like, $this->unlike | $unlike] : [$this, $unlike];
        }

        return $rows;
    }

    /** @param  T  $thing */
    private function put(int $id, Note|Point $thing): void
    {
        $packed = $this->packed();
        $count = intdiv(strlen($packed['id']), 4);
        $at = Ids::find($id, $this->packed()['id']);
        $length = $at === null ? 0 : 1;
        $at ??= Ids::placeFor($id, $packed['id']);
        foreach ($this->table->columns as $name => $column) {
            $value = $thing->{$name};
            if (! isset($packed[$name])) {
                if ($value === $column->default) {
                    continue;
                }
                $packed[$name] = str_repeat($column->pack($column->default), $count);
            }
            $written = $column->pack($name === $this->table->place && is_int($value) ? $value - $this->shift : $value);
            $packed[$name] = substr_replace($packed[$name], $written, $at * $column->width, $length * $column->width);
        }
        $this->packed = $packed;
    }

    /** @return T */
    private function make(int $at): Note|Point
    {
        $row = [];
        $packed = $this->packed();
        foreach ($this->table->columns as $name => $column) {
            if (! isset($packed[$name])) {
                $row[] = $column->default;

                continue;
            }
            $value = unpack($column->code, $packed[$name], $at * $column->width)[1] ?? 0;
            $row[] = $name === $this->table->place && is_int($value) ? $value + $this->shift : $column->value($value);
        }

        return ($this->table->make)(...$row);
    }

    /** Their places less an origin, packed. */
    private function places(int $origin): string
    {
        return pack('P*', ...array_map(static fn (mixed $p): int => (is_int($p) ? $p : 0) - $origin, $this->column($this->table->place)));
    }

    /** @return array<string, string> */
    private function packed(): array
    {
        if ($this->packed !== null) {
            return $this->packed;
        }
        if ($this->all === null) {
            return $this->packed = Document::read($this->table, $this->source === null ? pack('V', 0) : ($this->source)());
        }
        $packed = $this->like === null ? [] : $this->like->packed();
        $anew = $this->unlike | ($this->like === null || $this->like->shift === 0 ? 0 : $this->table->bit($this->table->place));
        foreach ($this->table->named($anew) as $name) {
            $packed[$name] = $this->table->columns[$name]->packAll(array_column($this->all, $name));
        }
        $this->like = null;

        return $this->packed = Document::canonical($this->table, $packed, count($this->all));
    }
}

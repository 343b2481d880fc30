<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * Notes or points as a packed string a column, ids ascending. Single ones are found, put in and taken out in their places,
 * and whole columns exchanged, without the others being made. Nothing changes once it is made.
 *
 * @template T of Note|Point
 */
final readonly class Packed
{
    /**
     * @param  Table<T>  $table
     * @param  array<string, string>  $columns  those that are the default throughout are left out
     * @param  int  $shift  ticks to be added to every place that is packed
     */
    public function __construct(private Table $table, public array $columns, public int $shift = 0)
    {
    }

    /**
     * Out of a document.
     *
     * @template U of Note|Point
     *
     * @param  Table<U>  $table
     * @return self<U>
     */
    public static function read(Table $table, string $document, int $shift): self
    {
        return new self($table, Document::read($table, $document), $shift);
    }

    /** The document, with places less the origin. Equal things give equal bytes. */
    public function document(int $origin): string
    {
        $columns = $this->columns;
        if ($this->shift !== $origin && $this->count() > 0) {
            $columns[$this->table->place] = pack('P*', ...array_map(static fn (mixed $p): int => (is_int($p) ? $p : 0) - $origin, $this->column($this->table->place)));
        }

        return Document::write($this->table, $columns, $this->count());
    }

    /** @return int<0, max> */
    public function count(): int
    {
        return max(0, strlen($this->columns['id']) >> 2);
    }

    /**
     * One column of all.
     *
     * @return list<mixed>
     */
    public function column(string $name): array
    {
        $column = $this->table->columns[$name];
        if (! isset($this->columns[$name])) {
            return array_fill(0, $this->count(), $column->default);
        }
        $values = $column->unpackAll($this->columns[$name]);
        $shift = $name === $this->table->place ? $this->shift : 0;

        return $shift === 0 ? $values : array_map(static fn (mixed $v): int => (is_int($v) ? $v : 0) + $shift, $values);
    }

    /** The least place of all, as a tick; null where there is nothing. */
    public function least(): ?int
    {
        $places = unpack('P*', $this->columns[$this->table->place]) ?: [];

        return $places === [] || ! is_int($least = min($places)) ? null : $least + $this->shift;
    }

    public function has(int $id): bool
    {
        return Ids::find($id, $this->columns['id']) !== null;
    }

    /** @return T|null */
    public function get(int $id): Note|Point|null
    {
        $at = Ids::find($id, $this->columns['id']);

        return $at === null ? null : $this->make($at);
    }

    /**
     * Those that stand at a tick.
     *
     * @return list<T>
     */
    public function at(int $tick): array
    {
        $found = [];
        $places = $this->columns[$this->table->place];
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
     * @param  array<int, T>  $before
     * @param  array<int, T>  $after
     * @return self<T>
     */
    public function with(array $before, array $after): self
    {
        $columns = $this->columns;
        foreach (array_keys(array_diff_key($before, $after)) as $id) {
            $at = Ids::find($id, $columns['id']);
            if ($at !== null) {
                foreach ($columns as $name => $bytes) {
                    $width = $this->table->columns[$name]->width;
                    $columns[$name] = substr_replace($bytes, '', $at * $width, $width);
                }
            }
        }
        foreach ($after as $id => $thing) {
            $columns = $this->put($columns, $id, $thing);
        }

        return $this->canonical($columns);
    }

    /**
     * With other columns, those of all that there are.
     *
     * @param  array<string, list<mixed>>  $values  by name
     * @return self<T>
     */
    public function withColumns(array $values): self
    {
        $columns = $this->columns;
        foreach ($values as $name => $list) {
            if ($name === $this->table->place && $this->shift !== 0) {
                $list = array_map(fn (mixed $v): int => (is_int($v) ? $v : 0) - $this->shift, $list);
            }
            $columns[$name] = $this->table->columns[$name]->packAll($list);
        }

        return $this->canonical($columns);
    }

    /**
     * All of them later by so many ticks: what is packed stays as it is.
     *
     * @return self<T>
     */
    public function moved(int $ticks): self
    {
        return new self($this->table, $this->columns, $this->shift + $ticks);
    }

    /**
     * @param  array<string, string>  $columns
     * @param  T  $thing
     * @return array<string, string>
     */
    private function put(array $columns, int $id, Note|Point $thing): array
    {
        $count = intdiv(strlen($columns['id']), 4);
        $at = Ids::find($id, $columns['id']);
        $length = $at === null ? 0 : 1;
        $at ??= Ids::placeFor($id, $columns['id']);
        foreach ($this->table->columns as $name => $column) {
            $value = $thing->{$name};
            if (! isset($columns[$name])) {
                if ($value === $column->default) {
                    continue;
                }
                $columns[$name] = str_repeat($column->pack($column->default), $count);
            }
            $written = $column->pack($name === $this->table->place && is_int($value) ? $value - $this->shift : $value);
            $columns[$name] = substr_replace($columns[$name], $written, $at * $column->width, $length * $column->width);
        }

        return $columns;
    }

    /** @return T */
    private function make(int $at): Note|Point
    {
        $row = [];
        foreach ($this->table->columns as $name => $column) {
            if (! isset($this->columns[$name])) {
                $row[] = $column->default;

                continue;
            }
            $value = unpack($column->code, $this->columns[$name], $at * $column->width)[1] ?? 0;
            $row[] = $name === $this->table->place && is_int($value) ? $value + $this->shift : $column->value($value);
        }

        return ($this->table->make)(...$row);
    }

    /**
     * @param  array<string, string>  $columns
     * @return self<T>
     */
    private function canonical(array $columns): self
    {
        return new self($this->table, Document::canonical($this->table, $columns, strlen($columns['id']) >> 2), $this->shift);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * How things of one kind are written: in documents, in steps, in answers. What is not said here is said nowhere.
 *
 * @template T of Note|Point
 */
final readonly class Table
{
    /** Stands for all columns, where it is not known in which things are otherwise. */
    public const ALL = -1;

    /** @var array<string, Column> by name, in the order of the constructor of what they make */
    public array $columns;

    /** @var list<string> names of the columns, in their order */
    private array $names;

    /** @var list<string> names of the columns in the rows that the interface gets */
    public array $shown;

    /**
     * @param  list<Column>  $columns
     * @param  string  $place  name of the column that says where in time it stands
     * @param  \Closure(mixed...): T  $make
     * @param  \Closure(array<string, list<mixed>>): list<T>  $all  likewise of many, by a list for each column; those left out are the default throughout
     */
    private function __construct(array $columns, public string $place, public \Closure $make, private \Closure $all)
    {
        $this->columns = array_combine(array_map(static fn (Column $c): string => $c->name, $columns), $columns);
        $this->names = array_keys($this->columns);
        $this->shown = array_values(array_map(static fn (Column $c): string => $c->name, array_filter($columns, static fn (Column $c): bool => $c->shown)));
    }

    /** @return self<Note> a new column of a note is a line here, and a property of Note */
    public static function notes(): self
    {
        static $table = null;
        $far = PHP_INT_MAX >> 20;

        /** @var self<Note> */
        return $table ??= new self([
            new Column('id', 'V'),
            new Column('start', 'P', given: [0, $far, null]),
            new Column('length', 'P', given: [1, $far, 0]),
            new Column('pitch', 'C', given: [Note::LOWEST, Note::HIGHEST, null]),
            new Column('velocity', 'C', given: [Note::SOFTEST, Note::LOUDEST, 0]),
            new Column('release', 's', Note::RELEASE, [Note::RELEASE_BY_NOTE_ON, 127, Note::RELEASE], false, 'c'),
            new Column('muted', 'C', false, [0, 1, 0]),
            new Column('group', 'V', 0, [0, 0xFFFF_FFFF, 0]),
            new Column('channel', 'C', 0, [0, 15, -1]),
            new Column('driftStart', 'P', 0, [-$far, $far, 0]),
            new Column('driftLength', 'P', 0, [-$far, $far, 0]),
            new Column('carryStart', 'e', 0.0, shown: false),
            new Column('carryLength', 'e', 0.0, shown: false),
            new Column('carryVelocity', 'P', 0),
            new Column('articulation', 'C', 0, [0, ArticulationSet::MOST, 0]),
            new Column('own', 'V', '', [0, 0, 0]),
        ], 'start', static fn (mixed ...$columns): Note => new Note(...$columns), Note::many(...)); // @phpstan-ignore argument.type (the columns are in the order of its constructor)
    }

    /** @return self<Point> */
    public static function points(): self
    {
        static $table = null;

        /** @var self<Point> */
        return $table ??= new self([
            new Column('id', 'V'),
            new Column('tick', 'P'),
            new Column('status', 'C'),
            new Column('data1', 'C'),
            new Column('data2', 'C'),
        ], 'tick', static fn (mixed ...$columns): Point => new Point(...$columns), Point::many(...)); // @phpstan-ignore argument.type (likewise)
    }

    /**
     * The columns for which bits are set, as `changedColumns` sets them.
     *
     * @return list<string>
     */
    public function named(int $bits): array
    {
        return array_values(array_filter(array_keys($this->columns), fn (string $name): bool => ($bits & $this->bit($name)) !== 0));
    }

    /** The bits of columns. */
    public function bit(string ...$names): int
    {
        $bits = 0;
        foreach ($names as $name) {
            $bits |= 1 << (int) array_search($name, $this->names, true);
        }

        return $bits;
    }

    /**
     * The columns in which two are not the same, a bit each.
     *
     * @param  T  $one
     * @param  T  $other
     */
    public function changedColumns(Note|Point $one, Note|Point $other): int
    {
        $bits = 0;
        foreach ($this->names as $i => $name) {
            if ($one->{$name} !== $other->{$name}) {
                $bits |= 1 << $i;
            }
        }

        return $bits;
    }

    /**
     * Values as columns, for a step: those that are the default throughout are left out.
     *
     * @param  array<int, T>  $things
     * @return array<string, list<mixed>>
     */
    public function write(array $things): array
    {
        $written = [];
        foreach ($this->columns as $name => $column) {
            $values = array_column($things, $name);
            if ($column->default === null || array_filter($values, static fn (mixed $v): bool => $v !== $column->default) !== []) {
                $written[$name] = $values;
            }
        }

        return $written;
    }

    /**
     * What `write` wrote.
     *
     * @param  array<string, list<mixed>>  $columns
     * @return array<int, T>
     */
    public function read(array $columns): array
    {
        $ids = array_map(static fn (mixed $id): int => is_int($id) ? $id : 0, $columns['id'] ?? []);

        return $ids === [] ? [] : array_combine($ids, ($this->all)($columns));
    }

    /**
     * One out of its columns by name; those left out have their default.
     *
     * @param  array<string, mixed>  $values
     * @return T
     */
    public function one(array $values): Note|Point
    {
        $row = [];
        foreach ($this->columns as $name => $column) {
            $row[] = $column->value($values[$name] ?? $column->default);
        }

        return ($this->make)(...$row);
    }

    /**
     * Rows as the interface gets them: the columns shown, truth as 1 and 0, and a number besides.
     *
     * @param  array<int, T>  $things
     * @param  \Closure(T): int  $besides
     * @return list<list<mixed>>
     */
    public function rows(array $things, \Closure $besides): array
    {
        $columns = array_map(fn (string $name): array => $this->plain($name, array_column($things, $name)), $this->shown);
        $columns[] = array_map($besides, array_values($things));

        return array_map(null, ...$columns);
    }

    /**
     * A column as the interface gets it: truth as 1 and 0.
     *
     * @param  list<mixed>  $values
     * @return list<mixed>
     */
    public function plain(string $name, array $values): array
    {
        return is_bool($this->columns[$name]->default) ? array_map(static fn (mixed $v): int => $v === true ? 1 : 0, $values) : $values;
    }

    /**
     * The columns that may be given, by name, as a command brings them.
     *
     * @param  T  $thing
     * @return array<string, mixed>
     */
    public function given(Note|Point $thing): array
    {
        $given = [];
        foreach ($this->columns as $name => $column) {
            if ($column->given !== null) {
                $given[$name] = $this->plain($name, [$thing->{$name}])[0];
            }
        }

        return $given;
    }
}

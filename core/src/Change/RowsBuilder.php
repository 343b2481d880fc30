<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Progress;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * The notes, or the points, of a change in the making.
 *
 * @template T of Note|Point
 */
final class RowsBuilder
{
    /** @var array<int, array<int, T>> by part and id */
    private array $before = [];

    /** @var array<int, array<int, T>> */
    private array $after = [];

    /** @var array<int, int> bits of the columns in which those that stay are otherwise, by part */
    private array $changedColumns = [];

    /** @var array<int, RowsChange<T>> those that become otherwise in whole columns, by part; only where nothing else of their kind is touched there */
    private array $columns = [];

    /**
     * @param  Table<T>  $table
     * @param  \Closure(Part): Rows<T>  $of  those that a part has
     */
    public function __construct(private readonly Table $table, private readonly \Closure $of)
    {
    }

    /**
     * @param  T  $thing
     * @return bool whether it differs from how it was
     */
    public function put(Part $part, Note|Point $thing): bool
    {
        Progress::step();
        $this->alone($part);
        $old = ($this->of)($part)->get($thing->id);
        $changedColumns = $old === null ? 0 : $this->table->changedColumns($old, $thing);
        if ($old !== null && $changedColumns === 0) {
            // It may have been dropped, or put otherwise, before.
            unset($this->before[$part->id][$thing->id], $this->after[$part->id][$thing->id]);

            return false;
        }
        if ($old !== null) {
            $this->before[$part->id][$thing->id] = $old;
            $this->changedColumns[$part->id] = ($this->changedColumns[$part->id] ?? 0) | $changedColumns;
        }
        $this->after[$part->id][$thing->id] = $thing;

        return true;
    }

    /** @param  T  $thing */
    public function drop(Part $part, Note|Point $thing): void
    {
        Progress::step();
        $this->alone($part);
        $this->before[$part->id][$thing->id] = $thing;
        unset($this->after[$part->id][$thing->id]);
    }

    /** Puts other values of many in some columns, as `put` does it one by one. */
    public function columns(Part $part, ChangedValues $values): void
    {
        $sides = RowsChange::columns($this->table, ($this->of)($part), $values->ids, $values->before, $values->after);
        if (isset($this->before[$part->id]) || isset($this->after[$part->id]) || isset($this->columns[$part->id])) {
            array_map(fn (Note|Point $thing): bool => $this->put($part, $thing), $sides->after());
        } elseif (! $sides->isEmpty()) {
            $this->columns[$part->id] = $sides;
        }
    }

    /** @return array<int, mixed> by the ids of the parts in which any are touched */
    public function parts(): array
    {
        return $this->before + $this->after + $this->columns;
    }

    /** @return RowsChange<T> what it does to those of a part */
    public function sides(int $part): RowsChange
    {
        return $this->columns[$part] ?? RowsChange::of($this->table, $this->before[$part] ?? [], $this->after[$part] ?? [], $this->changedColumns[$part] ?? 0);
    }

    /** Single things are to be put besides columns: then those are single things, too. */
    private function alone(Part $part): void
    {
        $columns = $this->columns[$part->id] ?? null;
        if ($columns !== null) {
            unset($this->columns[$part->id]);
            array_map(fn (Note|Point $thing): bool => $this->put($part, $thing), $columns->after());
        }
    }
}

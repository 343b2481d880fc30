<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Progress;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;

/**
 * Values that notes or points get in some columns: only of those that differ from what they were, and only the columns in
 * which any does.
 */
final readonly class ChangedValues
{
    /**
     * @param  list<int>  $ids  ascending
     * @param  array<string, list<mixed>>  $before  by name of the column, in the order of the ids
     * @param  array<string, list<mixed>>  $after
     */
    private function __construct(public array $ids, public array $before, public array $after)
    {
    }

    /**
     * What some values change of rows.
     *
     * @template T of Note|Point
     *
     * @param  Rows<T>  $rows
     * @param  list<int>  $ids  ascending
     * @param  array<string, list<mixed>>  $values  by name of the column, in the order of the ids
     */
    public static function of(Rows $rows, array $ids, array $values): self
    {
        Progress::steps(count($ids));
        $was = $is = [];
        foreach ($values as $name => $list) {
            $before = $rows->values($name, $ids);
            if ($before !== $list) {
                [$was[$name], $is[$name]] = [$before, $list];
            }
        }
        $same = [];
        foreach ($ids as $i => $_) {
            foreach ($was as $name => $before) {
                if ($before[$i] !== $is[$name][$i]) {
                    continue 2;
                }
            }
            $same[] = $i;
        }
        if ($same !== []) {
            $ids = self::without($ids, $same);
            foreach ($was as $name => $before) {
                [$was[$name], $is[$name]] = [self::without($before, $same), self::without($is[$name], $same)];
            }
        }

        return new self($ids, $was, $is);
    }

    /**
     * Another column of the same things.
     *
     * @param  list<mixed>  $before  in the order of the ids
     * @param  list<mixed>  $after
     */
    public function with(string $column, array $before, array $after): self
    {
        return new self($this->ids, array_merge($this->before, [$column => $before]), array_merge($this->after, [$column => $after]));
    }

    /**
     * @template V
     *
     * @param  list<V>  $list
     * @param  list<int>  $places
     * @return list<V> what stands elsewhere
     */
    private static function without(array $list, array $places): array
    {
        foreach ($places as $i) {
            unset($list[$i]);
        }

        return array_values($list);
    }
}

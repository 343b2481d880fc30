<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

/** Which notes are chosen: ids by part, the parts in the order given. */
final readonly class Selection
{
    /** @param  array<int, list<int>>  $notes ids by part id; a part with no id chosen may stand there too */
    public function __construct(public array $notes)
    {
    }

    public static function none(): self
    {
        return new self([]);
    }

    public function count(): int
    {
        return array_sum(array_map('count', $this->notes));
    }

    public function isEmpty(): bool
    {
        return $this->count() === 0;
    }

    /** @return list<array{part: int, notes: list<int>}> */
    public function toArray(): array
    {
        $list = [];
        foreach ($this->notes as $part => $ids) {
            $list[] = ['part' => $part, 'notes' => $ids];
        }

        return $list;
    }
}

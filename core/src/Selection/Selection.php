<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Ids;

/** What is selected: notes and points by part, parts as wholes, tracks. */
final readonly class Selection
{
    /**
     * @param  array<int, list<int>>  $notes  ids by part id, the parts in the order given; a part with no id selected may stand there too
     * @param  array<int, array<string, list<int>>>  $points  ids by part id and name of the lane
     * @param  list<int>  $parts
     * @param  list<int>  $tracks
     */
    public function __construct(public array $notes = [], public array $points = [], public array $parts = [], public array $tracks = [])
    {
    }

    public static function none(): self
    {
        return new self;
    }

    /** How many notes are selected. */
    public function count(): int
    {
        return array_sum(array_map('count', $this->notes));
    }

    /** How many points are selected. */
    public function countPoints(): int
    {
        return array_sum(array_map(static fn (array $lanes): int => array_sum(array_map('count', $lanes)), $this->points));
    }

    public function isEmpty(): bool
    {
        return $this->count() === 0;
    }

    /** @return list<int> the parts that it names, in whatever way; not those of its tracks */
    public function partIds(): array
    {
        return array_values(array_unique([...array_keys($this->notes), ...array_keys($this->points), ...$this->parts]));
    }

    /**
     * As an `on`.
     *
     * @param  bool  $brief  with a pair for ids that follow one another
     * @return list<array<string, mixed>>
     */
    public function toArray(bool $brief = false): array
    {
        $list = [];
        foreach ($this->notes as $part => $ids) {
            $list[] = ['part' => $part, 'notes' => $brief ? Ids::runs($ids) : $ids];
        }
        foreach ($this->points as $part => $lanes) {
            foreach ($lanes as $lane => $ids) {
                $list[] = ['part' => $part, 'lane' => $lane, 'points' => $brief ? Ids::runs($ids) : $ids];
            }
        }

        return [...$list, ...($this->parts === [] ? [] : [['parts' => $this->parts]]), ...($this->tracks === [] ? [] : [['tracks' => $this->tracks]])];
    }
}

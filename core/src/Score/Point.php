<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * One point of a lane: a channel message that is no note (controller, program, pressure, bend), with its bytes as
 * the MIDI standard has them. A lane of the interface is the points of one status and, for controllers, one number.
 */
final readonly class Point
{
    /**
     * @param  int  $id  unique in its part among points, 1 or more; order at one tick is order of id
     * @param  int  $tick  0 or more
     * @param  int  $status  0x80–0xEF, the channel in the low four bits
     * @param  int  $data1  0–127
     * @param  int  $data2  0–127; 0 where the message has one data byte
     */
    public function __construct(
        public int $id,
        public int $tick,
        public int $status,
        public int $data1,
        public int $data2 = 0,
    ) {
    }

    /** @param  int  $tick  0 or more */
    public function movedTo(int $tick): self
    {
        return new self($this->id, $tick, $this->status, $this->data1, $this->data2);
    }

    /** @param  int  $value  in the lane's range */
    public function withValue(int $value): self
    {
        [$data1, $data2] = Lane::of($this)->data($value, $this->data1);

        return new self($this->id, $this->tick, $this->status, $data1, $data2);
    }

    public function copiedAs(int $id): self
    {
        return new self($id, $this->tick, $this->status, $this->data1, $this->data2);
    }

    /**
     * With some columns otherwise, by name.
     *
     * @param  array<string, int>  $columns
     */
    public function with(array $columns): self
    {
        return new self($this->id, $columns['tick'] ?? $this->tick, $columns['status'] ?? $this->status, $columns['data1'] ?? $this->data1, $columns['data2'] ?? $this->data2);
    }

    /**
     * Points out of a list for each property.
     *
     * @param  array<string, list<mixed>>  $columns
     * @return list<self>
     */
    public static function many(array $columns): array
    {
        /** @var array{id: list<int>, tick: list<int>, status: list<int>, data1: list<int>, data2: list<int>} $columns */
        ['id' => $id, 'tick' => $tick, 'status' => $status, 'data1' => $data1, 'data2' => $data2] = $columns;
        $points = [];
        foreach ($id as $i => $one) {
            $points[] = new self($one, $tick[$i], $status[$i], $data1[$i], $data2[$i]);
        }

        return $points;
    }

    /**
     * The same, as a step of the history has them.
     *
     * @param  array<string, int>  $columns
     */
    public function exactly(array $columns): self
    {
        return $this->with($columns);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Standard\Message;

/** A track: its name, its place among the others, and what a file said in it beside the music. Its parts name it. */
final class Track
{
    /**
     * @param  int  $id  unique in its song
     * @param  int  $order  tracks stand in order of this, then of id
     * @param  list<PassthroughEvent>|string  $kept  or the JSON of them
     * @param  int  $end  tick at which the file ended the track; 0 where no file did
     * @param  bool  $conductor  a track of a file that holds tempo, meter or texts and no music
     */
    public function __construct(
        public readonly int $id,
        public readonly string $name,
        public readonly int $order,
        private array|string $kept = [],
        public readonly int $end = 0,
        public readonly bool $conductor = false,
    ) {
    }

    /** @return list<PassthroughEvent> */
    public function kept(): array
    {
        if (is_string($this->kept)) {
            /** @var list<array{int, int, int, int, string}> $data */
            $data = json_decode($this->kept, true, 8, JSON_THROW_ON_ERROR);
            $this->kept = array_map(PassthroughEvent::fromArray(...), $data);
        }

        return $this->kept;
    }

    /** With another name, which the file gets too. */
    public function withName(string $name): self
    {
        $event = new PassthroughEvent(0, 0, Message::META, Message::META_TRACK_NAME, $name);
        $kept = [];
        $there = false;
        foreach ($this->kept() as $one) {
            $isName = ! $there && $one->status === Message::META && $one->type === Message::META_TRACK_NAME;
            $there = $there || $isName;
            $kept[] = $isName ? new PassthroughEvent($one->tick, $one->order, $one->status, $one->type, $name) : $one;
        }

        return new self($this->id, $name, $this->order, $there ? $kept : [$event, ...$kept], $this->end, $this->conductor);
    }

    /** @param  list<PassthroughEvent>  $kept */
    public function withKept(array $kept): self
    {
        return new self($this->id, $this->name, $this->order, $kept, $this->end, $this->conductor);
    }

    public function endingAt(int $end): self
    {
        return new self($this->id, $this->name, $this->order, $this->kept, $end, $this->conductor);
    }

    public function withOrder(int $order): self
    {
        return new self($this->id, $this->name, $order, $this->kept, $this->end, $this->conductor);
    }

    /** @return array{0: string, 1: int, 2: list<array{int, int, int, int, string}>, 3: int, 4?: true} what `fromArray` reads back */
    public function toArray(): array
    {
        return [$this->name, $this->order, array_map(static fn (PassthroughEvent $k): array => $k->toArray(), $this->kept()), $this->end, ...($this->conductor ? [true] : [])];
    }

    /** @param  array{0: string, 1: int, 2: list<array{int, int, int, int, string}>, 3: int, 4?: true}  $data */
    public static function fromArray(int $id, array $data): self
    {
        return new self($id, $data[0], $data[1], array_map(PassthroughEvent::fromArray(...), $data[2]), $data[3], isset($data[4]));
    }
}

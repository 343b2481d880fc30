<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * A stretch of one track with its notes and lane points, which stand at ticks of the song (not of the part).
 */
final readonly class Part
{
    /**
     * @param  int  $id  unique in its song
     * @param  array<int, Note>  $notes  by id, ids ascending
     * @param  array<int, Point>  $points  by id, ids ascending
     * @param  PartSettings|null  $settings  null for a part read straight out of a file: nothing has been set
     * @param  int  $nextNote  the id of the next new note; never given twice, also after a delete
     */
    public function __construct(
        public int $id,
        public string $name,
        public array $notes,
        public array $points,
        public ?PartSettings $settings,
        public int $nextNote,
        public int $nextPoint = 1,
    ) {
    }

    /**
     * @param  list<Note>  $notes  whose ids are given anew, from 1
     * @param  list<Point>  $points  likewise
     */
    public static function of(int $id, string $name, array $notes, array $points = [], ?PartSettings $settings = null): self
    {
        $byId = $pointsById = [];
        foreach ($notes as $note) {
            $byId[$note->id] = $note;
        }
        foreach ($points as $point) {
            $pointsById[$point->id] = $point;
        }
        ksort($byId);
        ksort($pointsById);

        return new self($id, $name, $byId, $pointsById, $settings,
            1 + (array_key_last($byId) ?? 0), 1 + (array_key_last($pointsById) ?? 0));
    }

    /**
     * Its notes as music is read: by start, then pitch from below, then id.
     *
     * @param  list<int>|null  $ids  only these
     * @return list<Note>
     */
    public function inOrder(?array $ids = null): array
    {
        $notes = $this->notes;
        if ($ids !== null) {
            $notes = [];
            foreach ($ids as $id) {
                $notes[$id] = $this->notes[$id];
            }
        }
        // Start and pitch in one whole number, and only what is out of order is sorted: takes are mostly in order.
        $keys = [];
        $last = $lastId = -1;
        $sorted = true;
        foreach ($notes as $id => $note) {
            $keys[$id] = $key = $note->start << 7 | $note->pitch;
            $sorted = $sorted && ($key > $last || ($key === $last && $id > $lastId));
            $last = $key;
            $lastId = $id;
        }
        if ($sorted) {
            return array_values($notes);
        }
        // Sorting keeps the order of equals: by id first.
        ksort($keys);
        asort($keys);
        $ordered = [];
        foreach ($keys as $id => $_) {
            $ordered[] = $notes[$id];
        }

        return $ordered;
    }

    /** The tick at which the last note ends; 0 for none. */
    public function lastEnd(): int
    {
        $end = 0;
        foreach ($this->notes as $note) {
            $end = max($end, $note->start + $note->length);
        }

        return $end;
    }

    /**
     * @param  array<int, Note>  $notes
     * @param  array<int, Point>  $points
     */
    public function with(array $notes, array $points, int $nextNote, int $nextPoint): self
    {
        return new self($this->id, $this->name, $notes, $points, $this->settings, $nextNote, $nextPoint);
    }

    public function withSettings(PartSettings $settings): self
    {
        return new self($this->id, $this->name, $this->notes, $this->points, $settings, $this->nextNote, $this->nextPoint);
    }

    /** The MIDI channel, 0 to 15, that new notes get: that of the part's first note, else of its first point. */
    public function channel(): int
    {
        foreach ($this->notes as $note) {
            return $note->channel;
        }
        foreach ($this->points as $point) {
            return $point->status & 0x0F;
        }

        return 0;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;

/** A change in the making. Notes put unchanged are left out of it. */
final class Draft
{
    /** @var array<int, array<int, Note>> */
    private array $before = [];

    /** @var array<int, array<int, Note>> */
    private array $after = [];

    /** @var array<int, array<int, Point>> */
    private array $pointsBefore = [];

    /** @var array<int, array<int, Point>> */
    private array $pointsAfter = [];

    /** @var array<int, int> */
    private array $next = [];

    /** @var array<int, int> */
    private array $nextPoint = [];

    /** @return bool whether the note differs from how it was */
    public function put(Part $part, Note $note): bool
    {
        $old = $part->notes[$note->id] ?? null;
        if ($old == $note) {
            return false;
        }
        if ($old !== null) {
            $this->before[$part->id][$note->id] = $old;
        }
        $this->after[$part->id][$note->id] = $note;

        return true;
    }

    public function drop(Part $part, Note $note): void
    {
        $this->before[$part->id][$note->id] = $note;
        unset($this->after[$part->id][$note->id]);
    }

    /** A point of a lane, as `put` does it for a note. */
    public function putPoint(Part $part, Point $point): void
    {
        $old = $part->points[$point->id] ?? null;
        if ($old == $point) {
            return;
        }
        if ($old !== null) {
            $this->pointsBefore[$part->id][$point->id] = $old;
        }
        $this->pointsAfter[$part->id][$point->id] = $point;
    }

    public function dropPoint(Part $part, Point $point): void
    {
        $this->pointsBefore[$part->id][$point->id] = $point;
        unset($this->pointsAfter[$part->id][$point->id]);
    }

    /** An id for a new point in the part. */
    public function newPointId(Part $part): int
    {
        $id = $this->nextPoint[$part->id] ?? $part->nextPoint;
        $this->nextPoint[$part->id] = $id + 1;

        return $id;
    }

    /** An id for a new note in the part. */
    public function newId(Part $part): int
    {
        $id = $this->next[$part->id] ?? $part->nextNote;
        $this->next[$part->id] = $id + 1;

        return $id;
    }

    public function change(): Change
    {
        $parts = [];
        foreach (array_keys($this->before + $this->after + $this->pointsBefore + $this->pointsAfter) as $id) {
            $parts[$id] = new PartChange($this->before[$id] ?? [], $this->after[$id] ?? [], $this->pointsBefore[$id] ?? [], $this->pointsAfter[$id] ?? []);
        }

        return new Change($parts);
    }
}

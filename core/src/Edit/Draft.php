<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Groups;

/** A change in the making. What is put unchanged is left out of it. */
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

    /** @var array<int, int> bits of the columns in which notes that stay are otherwise, by part */
    private array $unlike = [];

    /** @var array<int, int> likewise of points */
    private array $pointsUnlike = [];

    /** @var array<int, HeadChange> */
    private array $heads = [];

    /** @var array<int, TrackChange> */
    private array $tracks = [];

    /** @var array<int, int> */
    private array $next = [];

    /** @var array<int, int> */
    private array $nextPoint = [];

    /** @var array<int, int> */
    private array $nextGroup = [];

    /** @var array<int, array<int, array<int, int>>> numbers that copied groups got, by part, round of copying and number */
    private array $regrouped = [];

    private int $newParts = 0;

    private int $newTracks = 0;

    /** @return bool whether the note differs from how it was */
    public function put(Part $part, Note $note): bool
    {
        Watch::step();
        $old = $part->notes->get($note->id);
        $unlike = $old?->unlike($note) ?? 0;
        if ($old !== null && $unlike === 0) {
            // It may have been dropped, or put otherwise, before.
            unset($this->before[$part->id][$note->id], $this->after[$part->id][$note->id]);

            return false;
        }
        if ($old !== null) {
            $this->before[$part->id][$note->id] = $old;
            $this->unlike[$part->id] = ($this->unlike[$part->id] ?? 0) | $unlike;
        }
        $this->after[$part->id][$note->id] = $note;

        return true;
    }

    public function drop(Part $part, Note $note): void
    {
        Watch::step();
        $this->before[$part->id][$note->id] = $note;
        unset($this->after[$part->id][$note->id]);
    }

    /**
     * A point of a lane, as `put` does it for a note.
     *
     * @return bool whether it differs from how it was
     */
    public function putPoint(Part $part, Point $point): bool
    {
        Watch::step();
        $old = $part->points->get($point->id);
        $unlike = $old?->unlike($point) ?? 0;
        if ($old !== null && $unlike === 0) {
            unset($this->pointsBefore[$part->id][$point->id], $this->pointsAfter[$part->id][$point->id]);

            return false;
        }
        if ($old !== null) {
            $this->pointsBefore[$part->id][$point->id] = $old;
            $this->pointsUnlike[$part->id] = ($this->pointsUnlike[$part->id] ?? 0) | $unlike;
        }
        $this->pointsAfter[$part->id][$point->id] = $point;

        return true;
    }

    public function dropPoint(Part $part, Point $point): void
    {
        Watch::step();
        $this->pointsBefore[$part->id][$point->id] = $point;
        unset($this->pointsAfter[$part->id][$point->id]);
    }

    /** Another head for a part; null takes it away, with what is in it kept out of sight. */
    public function head(Part $part, ?PartHead $head): void
    {
        $change = new HeadChange($part->head, $head);
        if (! $change->isEmpty()) {
            $this->heads[$part->id] = $change;
        }
    }

    /** A new part, to put notes and points into. */
    public function newPart(Score $score, PartHead $head, ?PartSettings $settings = null): Part
    {
        $id = $score->nextPart + $this->newParts++;
        $this->heads[$id] = new HeadChange(null, $head, $settings);

        return new Part($id, $head, Rows::of(Table::notes(), []), Rows::of(Table::points(), []), $settings);
    }

    /** Another state of a track; null takes it away. */
    public function track(?Track $before, ?Track $after): void
    {
        $change = new TrackChange($before, $after);
        if (! $change->isEmpty()) {
            $this->tracks[$before->id ?? $after->id ?? 0] = $change;
        }
    }

    /** An id for a new track. */
    public function newTrackId(Score $score): int
    {
        return $score->nextTrack + $this->newTracks++;
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

    /** A number for a new group of notes in the part. */
    public function newGroup(Part $part): int
    {
        $group = $this->nextGroup[$part->id] ?? Groups::next($part);
        $this->nextGroup[$part->id] = $group + 1;

        return $group;
    }

    /** A copied note with its group: copies that were made together belong together, and not to what they were made from. */
    public function regrouped(Part $part, Note $copy, int $round = 0): Note
    {
        return $copy->group === 0 ? $copy : $copy->with(['group' => $this->regrouped[$part->id][$round][$copy->group] ??= $this->newGroup($part)]);
    }

    public function change(): Change
    {
        $parts = [];
        foreach (array_keys($this->before + $this->after + $this->pointsBefore + $this->pointsAfter + $this->heads) as $id) {
            $parts[$id] = new PartChange($this->before[$id] ?? [], $this->after[$id] ?? [], $this->pointsBefore[$id] ?? [], $this->pointsAfter[$id] ?? [], $this->heads[$id] ?? null, $this->unlike[$id] ?? 0, $this->pointsUnlike[$id] ?? 0);
        }

        return new Change($parts, null, $this->tracks);
    }
}

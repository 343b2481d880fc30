<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

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
final class ChangeBuilder
{
    /** @var RowsBuilder<Note> */
    private readonly RowsBuilder $notes;

    /** @var RowsBuilder<Point> */
    private readonly RowsBuilder $points;

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

    public function __construct()
    {
        $this->notes = new RowsBuilder(Table::notes(), static fn (Part $part): Rows => $part->notes);
        $this->points = new RowsBuilder(Table::points(), static fn (Part $part): Rows => $part->points);
    }

    /** @return bool whether the note differs from how it was */
    public function put(Part $part, Note $note): bool
    {
        return $this->notes->put($part, $note);
    }

    public function drop(Part $part, Note $note): void
    {
        $this->notes->drop($part, $note);
    }

    /**
     * Other values for many notes in some columns, as `put` does it one by one: notes that stay as they were are left out; of
     * the others, one whose file had no proper end for it gets one. No objects are made of them, so it is fast for many.
     *
     * @param  list<int>  $ids  ascending
     * @param  array<string, list<mixed>>  $values  by name of the column, in the order of the ids
     */
    public function columns(Part $part, array $ids, array $values): void
    {
        $changed = ChangedValues::of($part->notes, $ids, $values);
        if ($changed->ids !== [] && $part->notes->hasOther('release')) {
            $releases = $part->notes->integers('release', $changed->ids);
            $changed = $changed->with('release', $releases, array_map(Note::ended(...), $releases));
        }
        $this->notes->columns($part, $changed);
    }

    /**
     * A point of a lane, as `put` does it for a note.
     *
     * @return bool whether it differs from how it was
     */
    public function putPoint(Part $part, Point $point): bool
    {
        return $this->points->put($part, $point);
    }

    public function dropPoint(Part $part, Point $point): void
    {
        $this->points->drop($part, $point);
    }

    /**
     * Many points, as `columns` does it for notes.
     *
     * @param  list<int>  $ids  ascending
     * @param  array<string, list<mixed>>  $values
     */
    public function pointColumns(Part $part, array $ids, array $values): void
    {
        $this->points->columns($part, ChangedValues::of($part->points, $ids, $values));
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
        foreach (array_keys($this->notes->parts() + $this->points->parts() + $this->heads) as $id) {
            $parts[$id] = new PartChange($this->notes->sides($id), $this->points->sides($id), $this->heads[$id] ?? null);
        }

        return new Change($parts, null, $this->tracks);
    }
}

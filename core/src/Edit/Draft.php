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

    /** @var array<int, Sides<Note>> notes that become otherwise in whole columns, by part */
    private array $columns = [];

    /** @var array<int, Sides<Point>> likewise of points */
    private array $pointColumns = [];

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
        $this->alone($part);
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

    /**
     * Many notes otherwise in some columns, as `put` does it one by one: those that are as they were are left out; of the
     * others one whose file had no proper end for it gets one. Nothing is made of them, so of many it is many times as fast.
     *
     * @param  list<int>  $ids  ascending
     * @param  array<string, list<mixed>>  $values  by name of the column, in the order of the ids
     */
    public function columns(Part $part, array $ids, array $values): void
    {
        [$ids, $was, $is] = self::otherwise($part->notes, $ids, $values);
        if ($ids !== [] && $part->notes->hasOther('release')) {
            $was['release'] = $part->notes->integers('release', $ids);
            $is['release'] = array_map(Note::ended(...), $was['release']);
        }
        $sides = Sides::columns(Table::notes(), $part->notes, $ids, $was, $is);
        if (isset($this->before[$part->id]) || isset($this->after[$part->id]) || isset($this->columns[$part->id])) {
            foreach ($sides->after() as $note) {
                $this->put($part, $note);
            }
        } elseif (! $sides->isEmpty()) {
            $this->columns[$part->id] = $sides;
        }
    }

    /**
     * Likewise of points.
     *
     * @param  list<int>  $ids
     * @param  array<string, list<mixed>>  $values
     */
    public function pointColumns(Part $part, array $ids, array $values): void
    {
        $sides = Sides::columns(Table::points(), $part->points, ...self::otherwise($part->points, $ids, $values));
        if (isset($this->pointsBefore[$part->id]) || isset($this->pointsAfter[$part->id]) || isset($this->pointColumns[$part->id])) {
            foreach ($sides->after() as $point) {
                $this->putPoint($part, $point);
            }
        } elseif (! $sides->isEmpty()) {
            $this->pointColumns[$part->id] = $sides;
        }
    }

    public function drop(Part $part, Note $note): void
    {
        Watch::step();
        $this->alone($part);
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
        $this->pointsAlone($part);
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
        $this->pointsAlone($part);
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
        foreach (array_keys($this->before + $this->after + $this->columns + $this->pointsBefore + $this->pointsAfter + $this->pointColumns + $this->heads) as $id) {
            $parts[$id] = new PartChange(
                $this->columns[$id] ?? Sides::of(Table::notes(), $this->before[$id] ?? [], $this->after[$id] ?? [], $this->unlike[$id] ?? 0),
                $this->pointColumns[$id] ?? Sides::of(Table::points(), $this->pointsBefore[$id] ?? [], $this->pointsAfter[$id] ?? [], $this->pointsUnlike[$id] ?? 0),
                $this->heads[$id] ?? null,
            );
        }

        return new Change($parts, null, $this->tracks);
    }

    /** Single notes are to be put besides columns: then those are single notes, too. */
    private function alone(Part $part): void
    {
        $columns = $this->columns[$part->id] ?? null;
        if ($columns !== null) {
            unset($this->columns[$part->id]);
            array_map(fn (Note $note): bool => $this->put($part, $note), $columns->after());
        }
    }

    /** Likewise of points. */
    private function pointsAlone(Part $part): void
    {
        $columns = $this->pointColumns[$part->id] ?? null;
        if ($columns !== null) {
            unset($this->pointColumns[$part->id]);
            array_map(fn (Point $point): bool => $this->putPoint($part, $point), $columns->after());
        }
    }

    /**
     * @param  Rows<covariant Note|Point>  $rows
     * @param  list<int>  $ids
     * @param  array<string, list<mixed>>  $values
     * @return array{list<int>, array<string, list<mixed>>, array<string, list<mixed>>} those that are otherwise, and the columns in which any is, before and after
     */
    private static function otherwise(Rows $rows, array $ids, array $values): array
    {
        Watch::steps(count($ids));
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
            $same[$i] = true;
        }
        if ($same !== []) {
            $without = static fn (array $list): array => array_values(array_diff_key($list, $same));
            [$ids, $was, $is] = [array_values(array_diff_key($ids, $same)), array_map($without, $was), array_map($without, $is)];
        }

        return [$ids, $was, $is];
    }
}

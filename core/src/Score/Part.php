<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;

/**
 * A stretch of one track with its notes and lane points, which stand at ticks of the song (not of the part). What
 * starts inside its window sounds; the rest is kept, and is selected by nothing but a click.
 */
final class Part
{
    public readonly string $name;

    /** @var list<Note>|null */
    private ?array $ordered = null;

    /**
     * @param  int  $id  unique in its song
     * @param  Rows<Note>  $notes
     * @param  Rows<Point>  $points
     * @param  PartSettings|string|null  $set  its settings, or the JSON of them; null for a part read straight out of a file: nothing has been set
     * @param  int  $nextNote  the id of the next new note; never given twice, also after a delete
     */
    public function __construct(
        public readonly int $id,
        public readonly PartHead $head,
        public readonly Rows $notes,
        public readonly Rows $points,
        private PartSettings|string|null $set,
        public readonly int $nextNote = 1,
        public readonly int $nextPoint = 1,
    ) {
        $this->name = $head->name;
    }

    /**
     * @param  list<Note>  $notes  with ids of their own
     * @param  list<Point>  $points  likewise
     * @param  PartHead|null  $head  null for one on track 1 with an open window
     */
    public static function of(int $id, string $name, array $notes, array $points = [], ?PartSettings $settings = null, ?PartHead $head = null): self
    {
        $byId = array_column($notes, null, 'id');
        $pointsById = array_column($points, null, 'id');

        return new self($id, ($head ?? new PartHead(1, $name))->withName($name), Rows::of(Table::notes(), $byId), Rows::of(Table::points(), $pointsById), $settings,
            1 + ($byId === [] ? 0 : max(array_keys($byId))), 1 + ($pointsById === [] ? 0 : max(array_keys($pointsById))));
    }

    /** Its settings; those that a new part starts with where nothing was set. */
    public function settings(): PartSettings
    {
        return $this->ownSettings() ?? PartSettings::fresh();
    }

    /** Its settings; null where nothing was set, as in a file. */
    public function ownSettings(): ?PartSettings
    {
        if (is_string($this->set)) {
            $data = json_decode($this->set, true, 8, JSON_THROW_ON_ERROR);
            $this->set = PartSettings::fromArray(is_array($data) ? $data : []);
        }

        return $this->set;
    }

    /**
     * Its notes as music is read: by start, then pitch from below, then id. Of all of them only those in its window.
     *
     * @param  list<int>|null  $ids  only these
     * @return list<Note>
     */
    public function inOrder(?array $ids = null): array
    {
        if ($ids === null) {
            return $this->ordered ??= self::sorted($this->shown());
        }
        $notes = [];
        foreach ($ids as $id) {
            $notes[$id] = $this->notes[$id];
        }

        return self::sorted($notes);
    }

    /** @return array<int, Note> the notes in its window, by id */
    public function shown(): array
    {
        return $this->hides() ? array_filter($this->notes->all(), fn (Note $n): bool => $this->head->holds($n->start)) : $this->notes->all();
    }

    /** @return array<int, Point> the points in its window, by id */
    public function shownPoints(): array
    {
        return array_filter($this->points->all(), fn (Point $p): bool => $this->head->holds($p->tick));
    }

    /** @return list<int> ids of the notes in its window */
    public function shownIds(): array
    {
        return $this->hides() ? array_keys($this->shown()) : $this->notes->ids();
    }

    /** Whether a note starts outside its window. */
    private function hides(): bool
    {
        if ($this->head->from <= 0 && $this->head->to === PartHead::OPEN) {
            return false;
        }
        $starts = $this->notes->column('start');

        return $starts !== [] && (min($starts) < $this->head->from || max($starts) >= $this->head->to);
    }

    /** Where what sets its sound belongs: where its window begins, or before that its first note. */
    public function beginning(): int
    {
        /** @var list<int> $starts */
        $starts = $this->notes->column('start');

        return min([$this->head->from, ...$starts]);
    }

    /** The tick at which the last note ends; 0 for none. */
    public function lastEnd(): int
    {
        $end = 0;
        /** @var list<int> $lengths */
        $lengths = $this->notes->column('length');
        /** @var list<int> $starts */
        $starts = $this->notes->column('start');
        foreach ($starts as $i => $start) {
            if ($start + $lengths[$i] > $end) {
                $end = $start + $lengths[$i];
            }
        }

        return $end;
    }

    /**
     * @param  Rows<Note>  $notes
     * @param  Rows<Point>  $points
     */
    public function with(Rows $notes, Rows $points, int $nextNote, int $nextPoint): self
    {
        return new self($this->id, $this->head, $notes, $points, $this->set, $nextNote, $nextPoint);
    }

    /** With another head; its contents go where that says. */
    public function withHead(PartHead $head): self
    {
        $by = $head->origin - $this->head->origin;

        return new self($this->id, $head, $this->notes->moved($by), $this->points->moved($by), $this->set, $this->nextNote, $this->nextPoint);
    }

    public function withSettings(PartSettings $settings): self
    {
        return new self($this->id, $this->head, $this->notes, $this->points, $settings, $this->nextNote, $this->nextPoint);
    }

    /** The MIDI channel, 0 to 15, that new notes get: that of the part's first note, else of its first point. */
    public function channel(): int
    {
        $ids = $this->notes->ids();
        if ($ids !== []) {
            return $this->notes[$ids[0]]->channel;
        }
        $ids = $this->points->ids();

        return $ids === [] ? 0 : $this->points[$ids[0]]->status & 0x0F;
    }

    /** @throws Refusal when there is no such note */
    public function note(int $id): Note
    {
        return $this->notes->get($id) ?? throw Refusal::parameter('on.notes', $id, "ids of notes that are in the part “{$this->name}”")->onScreen("A note that was meant is not in the part “{$this->name}” any more.");
    }

    /**
     * @param  array<int, Note>  $notes
     * @return list<Note>
     */
    private static function sorted(array $notes): array
    {
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
}

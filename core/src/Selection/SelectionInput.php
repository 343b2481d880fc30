<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Time\Timeline;

/** What a selection command is given: a part, what is selected in it, and where the caret and the span are. */
final readonly class SelectionInput
{
    /** @var list<Note> all notes of the part, in order */
    public array $notes;

    /** @var array<int, true> the selected notes by id */
    public array $selected;

    /** What says which notes start together: points only at the very same tick. */
    public Part|float $gather;

    /**
     * @param  list<int>  $ids  of the selected notes
     * @param  int  $near  tick at which is looked when nothing is selected
     * @param  int|null  $row  pitch at which is looked then; null where that is not known
     * @param  array{int, int}|null  $span  its first tick and the one after its last; null where there is none
     * @param  bool  $isOfPoints  whether the notes stand for points of a lane (LanePoints)
     */
    public function __construct(public Part $part, public array $ids, public Score $score, public int $near, public ?int $row, public ?array $span, bool $isOfPoints = false)
    {
        $this->gather = $isOfPoints ? 0.0 : $part;
        $this->notes = $part->inOrder();
        $this->selected = array_fill_keys($ids, true);
    }

    public function time(): Timeline
    {
        return $this->score->time;
    }

    public function isSelected(Note $note): bool
    {
        return isset($this->selected[$note->id]);
    }

    /** @return list<Note> the selected notes, or with none selected all, in order */
    public function among(): array
    {
        return $this->ids === [] ? $this->notes : $this->part->inOrder($this->ids);
    }

    /** @return list<list<Note>> the chords of the part, each from below */
    public function chords(): array
    {
        return Chords::of($this->notes, $this->time(), $this->part);
    }

    /** @return list<int> the chord that is nearest to the caret */
    public function chordAtCaret(): array
    {
        return Walk::chordAt($this->chords(), $this->near);
    }

    /**
     * @param  \Closure(Note): bool  $test
     * @return list<int> ids of the notes of the part that pass it
     */
    public function where(\Closure $test): array
    {
        return self::ids(array_filter($this->notes, $test));
    }

    /**
     * @param  array<int, Note>  $notes
     * @return list<int>
     */
    public static function ids(array $notes): array
    {
        return array_values(array_map(static fn (Note $n): int => $n->id, $notes));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Timeline;

/** Ways to choose other notes from those chosen now. No note changes. */
enum SelectionCommand: string
{
    case All = 'all';
    case None = 'none';
    case Inverse = 'inverse';
    case Row = 'row';
    case Chord = 'chord';
    case Next = 'next';
    case Previous = 'previous';
    case GrowNext = 'grow-next';
    case GrowPrevious = 'grow-previous';
    case Higher = 'higher';
    case Lower = 'lower';
    case Muted = 'muted';
    case Overlapping = 'overlapping';
    case Bar = 'bar';
    case FirstChords = 'first-chords';
    case Span = 'span';
    case Tops = 'top-voices';
    case Lowers = 'lower-voices';
    case Basses = 'bottom-voices';
    case Seconds = 'second-voices';
    case Thirds = 'third-voices';
    case Fourths = 'fourth-voices';
    case Changes = 'changes';
    case OutOfScale = 'out-of-scale';
    case OffGrid = 'off-grid';
    case OnBeat = 'on-beat';
    case OffBeat = 'off-beat';
    case SamePlace = 'same-place';
    case SameLength = 'same-length';
    case SameArticulation = 'same-articulation';
    case Softer = 'softer';
    case Louder = 'louder';
    case EverySecond = 'every-second';
    case EveryThird = 'every-third';
    case EveryFourth = 'every-fourth';
    case Group = 'group';
    case Alone = 'alone';

    public function title(): string
    {
        return match ($this) {
            self::All => 'Choose all notes',
            self::None => 'Choose nothing',
            self::Inverse => 'Choose the others',
            self::Row => 'Choose the whole row',
            self::Chord => 'Choose the whole chord',
            self::Next => 'Go to the next note',
            self::Previous => 'Go to the previous note',
            self::GrowNext => 'Take in the next note',
            self::GrowPrevious => 'Take in the previous note',
            self::Higher => 'Go to the next higher note of the chord',
            self::Lower => 'Go to the next lower note of the chord',
            self::Muted => 'Choose the muted notes',
            self::Overlapping => 'Choose overlapping notes',
            self::Bar => 'Choose the whole bar',
            self::FirstChords => 'Choose the first chord of each bar',
            self::Span => 'Choose the notes in the span',
            self::Tops => 'Choose the top notes of chords',
            self::Lowers => 'Choose the lower voices, all but the top',
            self::Basses => 'Choose the bottom notes of chords',
            self::Seconds => 'Choose the second notes of chords from below',
            self::Thirds => 'Choose the third notes of chords from below',
            self::Fourths => 'Choose the fourth notes of chords from below',
            self::Changes => 'Choose the first chord of each change',
            self::OutOfScale => 'Choose the notes out of the scale',
            self::OffGrid => 'Choose the notes off the grid',
            self::OnBeat => 'Choose the notes on the beat',
            self::OffBeat => 'Choose the notes off the beat',
            self::SamePlace => 'Choose the notes at the same place in the bar',
            self::SameLength => 'Choose the notes of the same length',
            self::SameArticulation => 'Choose the notes of the same articulation',
            self::Softer => 'Choose the softer notes',
            self::Louder => 'Choose the louder notes',
            self::EverySecond => 'Choose every second note',
            self::EveryThird => 'Choose every third note',
            self::EveryFourth => 'Choose every fourth note',
            self::Group => 'Choose the whole group',
            self::Alone => 'Choose one note alone, without its group',
        };
    }

    /**
     * Other words that it is looked for by.
     *
     * @return list<string>
     */
    public function words(): array
    {
        return match ($this) {
            self::Inverse => ['invert', 'the others', 'inverse'],
            self::Tops => ['melody', 'top note', 'lead'],
            self::Basses => ['bass note', 'root'],
            self::EverySecond => ['every other', 'alternate'],
            self::Row => ['row', 'same note'],
            self::OutOfScale => ['wrong notes', 'accidentals'],
            self::OffGrid => ['loose', 'early and late'],
            default => [],
        };
    }

    private function isWalk(): bool
    {
        return in_array($this, [self::Next, self::Previous, self::GrowNext, self::GrowPrevious, self::Higher, self::Lower, self::Alone], true);
    }

    /** Whether it begins from the notes chosen, or else from the caret or from all. */
    private function looksAtChosen(): bool
    {
        return $this->isWalk() || $this->isWithin() || in_array($this, [self::Row, self::Chord, self::Bar, self::Group, self::SamePlace, self::SameLength, self::SameArticulation, self::Softer, self::Louder], true);
    }

    /** Whether it asks for single notes: those do not bring their groups. */
    private function isAlone(): bool
    {
        return in_array($this, [self::None, self::Inverse, self::Alone, self::Higher, self::Lower], true);
    }

    /** Whether it looks among the notes chosen, where there are some. */
    public function isWithin(): bool
    {
        return in_array($this, [self::Tops, self::Lowers, self::Basses, self::Seconds, self::Thirds, self::Fourths, self::FirstChords, self::Changes, self::EverySecond, self::EveryThird, self::EveryFourth], true);
    }

    /**
     * The selection that this makes of another, in the parts that the other names.
     *
     * @param  int  $near  tick at which is looked when nothing is chosen
     * @param  array{int, int}|null  $span  first tick of the span and the one after its last; null where there is none
     * @param  int|null  $row  pitch at which is looked when nothing is chosen; null where that is not known
     */
    public function apply(Selection $selection, Score $score, int $near = 0, ?array $span = null, ?int $row = null): Selection
    {
        $moved = [];
        foreach ($selection->notes as $partId => $ids) {
            $part = $score->part($partId);
            $chosen = array_fill_keys($ids, true);
            $ordered = $part->inOrder();
            // What looks at the notes chosen looks only in the parts in which some are; with none chosen at all a walk
            // begins in the part named first.
            if ($ids === [] && ($selection->isEmpty() ? $this->isWalk() && $partId !== array_key_first($selection->notes) : $this->looksAtChosen())) {
                $moved[$partId] = [];

                continue;
            }
            $moved[$partId] = match ($this) {
                self::All => self::ids($ordered),
                self::None => [],
                self::Inverse => self::ids(array_filter($ordered, static fn (Note $n): bool => ! isset($chosen[$n->id]))),
                self::Row => self::row($ordered, $chosen, $row),
                self::Chord => $ids === [] ? Walk::chordAt(Chords::of($ordered, $score->time), $near) : self::chord(Chords::of($ordered, $score->time), $chosen),
                self::Next => Walk::beside($ordered, $chosen, $near, $row, 1, $score->time),
                self::Previous => Walk::beside($ordered, $chosen, $near, $row, -1, $score->time),
                self::GrowNext => [...$ids, ...array_diff(Walk::beside($ordered, $chosen, $near, $row, 1, $score->time), $ids)],
                self::GrowPrevious => [...$ids, ...array_diff(Walk::beside($ordered, $chosen, $near, $row, -1, $score->time), $ids)],
                self::Higher => self::within(Chords::of($ordered, $score->time), $ids, $chosen, 1),
                self::Lower => self::within(Chords::of($ordered, $score->time), $ids, $chosen, -1),
                self::Muted => self::ids(array_filter($ordered, static fn (Note $n): bool => $n->muted)),
                self::Overlapping => self::picked($part, [], ['overlapping' => true], $score),
                self::Bar => self::bars($ordered, $chosen, $near, $score->time),
                self::Span => self::ids(array_filter($ordered, static fn (Note $n): bool => $span !== null && $n->start >= $span[0] && $n->start < $span[1])),
                self::Tops => self::picked($part, $ids, ['inChord' => 'top'], $score),
                self::Lowers => self::picked($part, $ids, ['not' => ['inChord' => 'top']], $score),
                self::Basses => self::picked($part, $ids, ['inChord' => 'bottom'], $score),
                self::Seconds => self::picked($part, $ids, ['inChord' => 2], $score),
                self::Thirds => self::picked($part, $ids, ['inChord' => 3], $score),
                self::Fourths => self::picked($part, $ids, ['inChord' => 4], $score),
                self::OutOfScale => self::picked($part, [], ['outOfScale' => true], $score),
                self::OffGrid => self::picked($part, [], ['offGrid' => 1], $score),
                self::OnBeat => self::picked($part, [], ['onBeat' => true], $score),
                self::OffBeat => self::picked($part, [], ['onBeat' => false], $score),
                self::Changes => Chords::changes($part->inOrder($ids === [] ? null : $ids), $score->time),
                self::SamePlace => Alike::place($part, $chosen, $near, $score->time),
                self::SameLength => Alike::length($part, $chosen, $near),
                self::SameArticulation => Alike::articulation($part, $chosen, $near),
                self::Softer => Alike::loudness($part, $chosen, -1),
                self::Louder => Alike::loudness($part, $chosen, 1),
                self::EverySecond => self::every($part->inOrder($ids === [] ? null : $ids), 2),
                self::EveryThird => self::every($part->inOrder($ids === [] ? null : $ids), 3),
                self::EveryFourth => self::every($part->inOrder($ids === [] ? null : $ids), 4),
                self::Group => $ids === [] ? Groups::with($part, Walk::chordAt(Chords::of($ordered, $score->time), $near)) : $ids,
                self::Alone => Alike::nearest($part->inOrder($ids === [] ? null : $ids), $near, $row),
                self::FirstChords => Chords::firstOfEach($part->inOrder($ids === [] ? null : $ids), $score->time->lines(Grid::parse('bar')), $score->time),
            };
            $moved[$partId] = array_values($this->isAlone() ? $moved[$partId] : Groups::with($part, $moved[$partId]));
        }

        return new Selection($moved);
    }

    /**
     * @param  array<int, Note>  $notes
     * @return list<int>
     */
    private static function ids(array $notes): array
    {
        return array_values(array_map(static fn (Note $n): int => $n->id, $notes));
    }

    /**
     * Those that meet a condition, among those chosen; with none chosen, of the whole part.
     *
     * @param  list<int>  $ids
     * @param  array<string, mixed>  $pick
     * @return list<int>
     */
    private static function picked(Part $part, array $ids, array $pick, Score $score): array
    {
        $found = NoteFilter::parse($pick)->of($part, $score->time, $score->scale);

        return $ids === [] ? $found : array_values(array_intersect($found, $ids));
    }

    /**
     * @param  list<Note>  $notes  in order
     * @return list<int>
     */
    private static function every(array $notes, int $nth): array
    {
        return self::ids(array_filter($notes, static fn (int $i): bool => $i % $nth === 0, ARRAY_FILTER_USE_KEY));
    }

    /**
     * The rows of the chosen notes; with none chosen, the one row that is looked at.
     *
     * @param  list<Note>  $ordered
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    private static function row(array $ordered, array $chosen, ?int $row): array
    {
        $pitches = $chosen === [] && $row !== null ? [$row => true] : [];
        foreach ($ordered as $note) {
            if (isset($chosen[$note->id])) {
                $pitches[$note->pitch] = true;
            }
        }

        return self::ids(array_filter($ordered, static fn (Note $n): bool => isset($pitches[$n->pitch])));
    }

    /**
     * The notes that start in the bars of the chosen ones; with none chosen, in the bar that holds `near`.
     *
     * @param  list<Note>  $ordered
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    private static function bars(array $ordered, array $chosen, int $near, Timeline $time): array
    {
        $bars = $chosen === [] ? [$time->meters->barAt($near)->index => true] : [];
        foreach ($ordered as $note) {
            if (isset($chosen[$note->id])) {
                $bars[$time->meters->barAt($note->start)->index] = true;
            }
        }

        return self::ids(array_filter($ordered, static fn (Note $n): bool => isset($bars[$time->meters->barAt($n->start)->index])));
    }

    /**
     * @param  list<list<Note>>  $chords
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    private static function chord(array $chords, array $chosen): array
    {
        $ids = [];
        foreach ($chords as $chord) {
            if (array_filter($chord, static fn (Note $n): bool => isset($chosen[$n->id])) !== []) {
                array_push($ids, ...self::ids($chord));
            }
        }

        return $ids;
    }

    /**
     * Each chosen note gives way to its neighbour in the same chord; the outermost stays.
     *
     * @param  list<list<Note>>  $chords
     * @param  list<int>  $ids
     * @param  array<int, true>  $chosen
     * @return list<int>
     */
    private static function within(array $chords, array $ids, array $chosen, int $way): array
    {
        $moved = [];
        foreach ($chords as $chord) {
            foreach ($chord as $i => $note) {
                if (isset($chosen[$note->id])) {
                    $moved[$chord[max(0, min(count($chord) - 1, $i + $way))]->id] = true;
                }
            }
        }

        return $moved === [] ? $ids : array_keys($moved);
    }
}

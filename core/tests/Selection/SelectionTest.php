<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two strummed chords, a doubled note and a lone one: ids 1–3, 4–6, 7, 8. */
final class SelectionTest extends TestCase
{
    private static function score(): Score
    {
        return Make::score([
            [0, 400, 60, 70], [20, 400, 64, 80], [40, 400, 67, 90],
            [1920, 400, 67, 70], [1925, 400, 60, 60], [1930, 400, 72, 50],
            [2000, 400, 67, 40],
            [2880 + 100, 240, 61, 127],
        ], ['grid' => '1/8']);
    }

    /** @return iterable<string, array{array<string, mixed>, list<int>}> */
    public static function picks(): iterable
    {
        yield 'all' => [['all' => true], [1, 2, 3, 4, 5, 6, 7, 8]];
        yield 'a pitch' => [['pitch' => 67], [3, 4, 7]];
        yield 'pitches' => [['pitch' => ['min' => 66]], [3, 4, 6, 7]];
        yield 'a pitch class' => [['pitchClass' => 0], [1, 5, 6]];
        yield 'velocities' => [['velocity' => ['min' => 60, 'max' => 80]], [1, 2, 4, 5]];
        yield 'starts' => [['start' => ['max' => 40]], [1, 2, 3]];
        yield 'lengths' => [['length' => 240], [8]];
        yield 'tops of chords' => [['inChord' => 'top'], [3, 6, 7, 8]];
        yield 'bottoms of chords' => [['inChord' => 'bottom'], [1, 5, 7, 8]];
        yield 'seconds from below' => [['inChord' => 2], [2, 4]];
        yield 'off the beat' => [['onBeat' => false], []];
        yield 'off the grid' => [['offGrid' => 21], [3, 7, 8]];
        yield 'overlapping' => [['overlapping' => true], [4, 7]];
        yield 'every third' => [['every' => ['nth' => 3]], [1, 4, 7]];
        yield 'every second from the second of the loud ones' => [['velocity' => ['min' => 70], 'every' => ['nth' => 2, 'from' => 2]], [2, 4]];
        yield 'a span' => [['span' => ['from' => 40, 'to' => 1920]], [3]];
        yield 'both conditions' => [['pitch' => 67, 'span' => ['from' => 1000, 'to' => 1999]], [4]];
        yield 'one or the other' => [['or' => [['pitch' => 67], ['start' => ['min' => 1000]]]], [3, 4, 5, 6, 7, 8]];
        yield 'one and the other' => [['and' => [['not' => ['pitch' => 67]], ['not' => ['start' => ['max' => 999]]]]], [5, 6, 8]];
        yield 'not' => [['not' => ['pitch' => 67], 'start' => ['min' => 1000]], [5, 6, 8]];
        yield 'none muted' => [['muted' => true], []];
    }

    /**
     * @param  array<string, mixed>  $pick
     * @param  list<int>  $expected
     */
    #[DataProvider('picks')]
    public function test_a_pick_finds_the_notes_that_meet_all_its_conditions(array $pick, array $expected): void
    {
        $score = self::score();

        self::assertSame($expected, NoteFilter::parse($pick)->of($score->part(1), $score->time));
    }

    /** @return iterable<array{mixed}> */
    public static function wrong(): iterable
    {
        yield 'nothing' => [[]];
        yield 'text' => ['all'];
        yield 'no such condition' => [['colour' => 'red']];
        yield 'a range without bounds' => [['pitch' => []]];
        yield 'a range of text' => [['pitch' => ['min' => 'C4']]];
        yield 'a rank of nought' => [['inChord' => 0]];
        yield 'a span backward' => [['span' => ['from' => 10, 'to' => 5]]];
        yield 'an empty not' => [['not' => []]];
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_pick_is_refused_and_named(mixed $pick): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/“pick/u');
        NoteFilter::parse($pick);
    }

    /** @return iterable<string, array{string, list<int>, list<int>}> */
    public static function moves(): iterable
    {
        yield 'all' => ['all', [2], [1, 2, 3, 4, 5, 6, 7, 8]];
        yield 'none' => ['none', [2], []];
        yield 'inverse' => ['inverse', [1, 2, 3, 4], [5, 6, 7, 8]];
        yield 'row' => ['row', [7], [3, 4, 7]];
        yield 'chord' => ['chord', [2], [1, 2, 3]];
        yield 'next' => ['next', [3], [4]];
        yield 'next at the end stays' => ['next', [8], [8]];
        yield 'previous' => ['previous', [4], [3]];
        yield 'grow' => ['grow-next', [3], [3, 4]];
        yield 'grow back' => ['grow-previous', [4], [4, 3]];
        yield 'from a whole chord to the next' => ['next', [1, 2, 3], [5, 4, 6]];
        yield 'from a whole chord to the one before' => ['previous', [4, 5, 6], [1, 2, 3]];
        yield 'from one note of a strummed chord to the nearest voice of the next' => ['next', [2], [4]];
        yield 'from the lowest' => ['next', [1], [5]];
        yield 'from two voices to two' => ['next', [1, 3], [5, 4]];
        yield 'top voices' => ['top-voices', [], [3, 6, 7, 8]];
        yield 'lower voices' => ['lower-voices', [], [1, 2, 4, 5]];
        yield 'lower voices among those selected' => ['lower-voices', [4, 5, 6], [4, 5]];
        yield 'bottom voices' => ['bottom-voices', [], [1, 5, 7, 8]];
        yield 'higher' => ['higher', [5], [4]];
        yield 'highest stays' => ['higher', [6], [6]];
        yield 'lower' => ['lower', [6], [4]];
        yield 'overlapping' => ['overlapping', [], [4, 7]];
        yield 'muted' => ['muted', [1], []];
    }

    /**
     * @param  list<int>  $from
     * @param  list<int>  $to
     */
    #[DataProvider('moves')]
    public function test_a_selection_move_chooses_others(string $move, array $from, array $to): void
    {
        self::assertSame([1 => $to], SelectionCommands::apply($move, new Selection([1 => $from]), self::score())->notes);
    }

    public function test_with_nothing_chosen_next_and_previous_look_from_a_tick(): void
    {
        $nothing = new Selection([1 => []]);

        self::assertSame([1 => [4]], SelectionCommands::apply('next', $nothing, self::score(), 1000)->notes);
        self::assertSame([1 => [3]], SelectionCommands::apply('previous', $nothing, self::score(), 1000)->notes);
    }

    public function test_with_nothing_chosen_the_row_the_chord_and_the_nearest_voice_are_the_carets(): void
    {
        $nothing = new Selection([1 => []]);

        self::assertSame([1 => [3, 4, 7]], SelectionCommands::apply('row', $nothing, self::score(), 0, null, 67)->notes);
        self::assertSame([1 => []], SelectionCommands::apply('row', $nothing, self::score(), 0, null, 66)->notes);
        self::assertSame([1 => [5, 4, 6]], SelectionCommands::apply('chord', $nothing, self::score(), 1800)->notes);
        self::assertSame([1 => [6]], SelectionCommands::apply('next', $nothing, self::score(), 1000, null, 90)->notes);
        self::assertSame([1 => [1]], SelectionCommands::apply('previous', $nothing, self::score(), 1000, null, 20)->notes);
    }

    public function test_chords_are_gathered_from_their_first_note_in_milliseconds(): void
    {
        $note = static fn (int $id, int $start): Note => new Note($id, $start, 100, 60 + $id, 80);
        // 30 ms at 120 a minute are 57.6 ticks.
        $notes = [$note(1, 0), $note(2, 57), $note(3, 58), $note(4, 115)];
        $ids = static fn (array $chords): array => array_map(static fn (array $c): array => array_map(static fn (Note $n): int => $n->id, $c), $chords);

        self::assertSame([[1, 2], [3, 4]], $ids(Chords::of($notes, Timeline::of(960), 30.0)));
        self::assertSame([[1, 2, 3], [4]], $ids(Chords::of($notes, Timeline::of(960, [[0, 400_000]]), 30.0)));
        self::assertSame([[1], [2, 3], [4]], $ids(Chords::of($notes, Timeline::of(960), 1.0)));
    }

    public function test_on_reads_several_parts_and_refuses_what_is_not_there(): void
    {
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'A', [new Note(1, 0, 1, 60, 80), new Note(2, 9, 1, 61, 80)]), 2 => Part::of(2, 'B', [new Note(1, 0, 1, 60, 80)])]);

        self::assertSame([1 => [2, 1], 2 => [1]], TargetReader::read([['part' => 1, 'notes' => [2]], ['part' => 2, 'pick' => ['all' => true]], ['part' => 1, 'notes' => [1, 2]]], $score)->notes);
        foreach ([['part' => 1, 'notes' => [3]], ['part' => 9, 'notes' => []], ['part' => '1'], [['notes' => [1]]], 'all', ['part' => 1, 'notes' => ['a' => 1]]] as $wrong) {
            try {
                TargetReader::read($wrong, $score);
                self::fail('It was taken: '.json_encode($wrong));
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
    }
}

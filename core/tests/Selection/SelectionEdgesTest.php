<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Conditions and selection commands exactly at their edges, one tick before and one after. 960 ticks a quarter, 4/4. */
final class SelectionEdgesTest extends TestCase
{
    /** @return iterable<string, array{list<array{int, int, int, 3?: int}>, array<string, mixed>, list<int>}> notes, filter, ids found */
    public static function filters(): iterable
    {
        $at = static fn (int ...$starts): array => array_map(static fn (int $start): array => [$start, 100, 60], $starts);
        yield 'a span holds its start and not its end' => [$at(959, 960, 1919, 1920), ['span' => ['from' => 960, 'to' => 1920]], [2, 3]];
        yield 'a span of nothing holds nothing' => [$at(959, 960, 961), ['span' => ['from' => 960, 'to' => 960]], []];
        yield 'a range holds both its ends' => [[[0, 9, 59], [1, 9, 60], [2, 9, 64], [3, 9, 65]], ['pitch' => ['min' => 60, 'max' => 64]], [2, 3]];
        yield 'a range without a least' => [[[0, 9, 60, 59], [1, 9, 60, 60]], ['velocity' => ['max' => 59]], [1]];
        yield 'a number is that number alone' => [[[0, 239, 60], [1, 240, 60], [2, 241, 60]], ['length' => 240], [2]];
        yield 'a pitch class in any octave' => [[[0, 9, 0], [1, 9, 61], [2, 9, 72], [3, 9, 11]], ['pitchClass' => ['min' => 11, 'max' => 11]], [4]];
        yield 'a start' => [$at(0, 480, 481), ['start' => ['min' => 1, 'max' => 480]], [2]];
        // A quarter of a beat of 960 is 240 ticks.
        yield 'on the beat: as far as a quarter of it, on either side' => [$at(0, 240, 241, 719, 720, 959), ['onBeat' => true], [1, 2, 5, 6]];
        yield 'off the beat: what is farther' => [$at(0, 240, 241, 719, 720, 959), ['onBeat' => false], [3, 4]];
        // The grid is 1/16, 240 ticks.
        yield 'off the grid by so many ticks, or more' => [$at(0, 19, 20, 221, 220, 240), ['offGrid' => 20], [3, 5]];
        yield 'off the grid by one tick' => [$at(239, 240, 241), ['offGrid' => 1], [1, 3]];
        yield 'a rank that a chord has not' => [[[0, 9, 60], [0, 9, 64], [960, 9, 60], [960, 9, 64], [960, 9, 67]], ['inChord' => 3], [5]];
        yield 'the top of a single note' => [[[0, 9, 60]], ['inChord' => 'top'], [1]];
        yield 'every second, from the third' => [$at(0, 1, 2, 3, 4, 5), ['every' => ['nth' => 2, 'from' => 3]], [3, 5]];
        yield 'every one' => [$at(0, 1), ['every' => ['nth' => 1]], [1, 2]];
        yield 'either of two, and neither' => [[[0, 9, 60], [1, 9, 62], [2, 9, 64]], ['or' => [['pitch' => 60], ['pitch' => 64]]], [1, 3]];
        yield 'both of two' => [[[0, 9, 60, 50], [1, 9, 60, 90], [2, 9, 64, 90]], ['and' => [['pitch' => 60], ['velocity' => 90]]], [2]];
        yield 'notes that touch do not overlap' => [[[0, 240, 60], [240, 240, 60], [479, 9, 60]], ['overlapping' => true], [2, 3]];
    }

    /**
     * @param  list<array{int, int, int, 3?: int}>  $notes
     * @param  array<string, mixed>  $filter
     * @param  list<int>  $found
     */
    #[DataProvider('filters')]
    public function test_a_filter_at_its_edges(array $notes, array $filter, array $found): void
    {
        $score = Make::score($notes);
        $ids = NoteFilter::parse($filter)->of($score->part(1), $score->time);
        sort($ids);
        self::assertSame($found, $ids);
    }

    /** @return iterable<string, array{string, list<array{int, int, int, 3?: int}>, list<int>, list<int>, 4?: int, 5?: array{int, int}|null, 6?: int|null}> command, notes, selected, selected then, near, span, row */
    public static function commands(): iterable
    {
        $at = static fn (int ...$starts): array => array_map(static fn (int $start): array => [$start, 100, 60], $starts);
        yield 'the span holds its start and not its end' => ['span', $at(959, 960, 1919, 1920), [], [2, 3], 0, [960, 1920]];
        yield 'the bar from its first tick to its last' => ['bar', $at(3839, 3840, 7679, 7680), [2], [2, 3]];
        yield 'the bar of the caret' => ['bar', $at(3839, 3840), [], [2], 3840];
        yield 'the bars of two notes' => ['bar', $at(0, 3840, 7680), [1, 3], [1, 3]];
        yield 'every third, from the first' => ['every-third', $at(0, 1, 2, 3, 4, 5, 6), [], [1, 4, 7]];
        yield 'every fourth of those selected' => ['every-fourth', $at(0, 1, 2, 3, 4, 5, 6), [2, 3, 4, 5, 6], [2, 6]];
        yield 'louder than the loudest selected, and not as loud' => ['louder', [[0, 9, 60, 80], [1, 9, 60, 90], [2, 9, 60, 91], [3, 9, 60, 70]], [1, 2], [3]];
        yield 'softer than the softest selected' => ['softer', [[0, 9, 60, 80], [1, 9, 60, 90], [2, 9, 60, 79]], [1, 2], [3]];
        yield 'with none selected, louder than the middle' => ['louder', [[0, 9, 60, 10], [1, 9, 60, 20], [2, 9, 60, 30]], [], [3]];
        yield 'as long, to an eighth of the longer' => ['same-length', [[0, 800, 60], [1, 700, 60], [2, 699, 60], [3, 914, 60], [4, 915, 60]], [1], [1, 2, 4]];
        yield 'at the same place in the bar' => ['same-place', $at(480, 3840 + 480, 3840 + 599, 3840 + 601), [1], [1, 2, 3]];
        yield 'the row of the caret' => ['row', [[0, 9, 60], [1, 9, 61]], [], [2], 0, null, 61];
        yield 'the whole chord' => ['chord', [[0, 9, 60], [0, 9, 64], [960, 9, 60]], [1], [1, 2]];
        yield 'what is not selected' => ['inverse', $at(0, 1, 2), [2], [1, 3]];
        yield 'one more note, and at the end none' => ['grow-next', $at(0, 960), [1, 2], [1, 2]];
        yield 'the first chord of each bar, a little early too' => ['first-chords', $at(0, 960, 3840 - 119, 3840 + 5, 7680), [], [1, 3, 5]];
        yield 'the highest of a chord goes no higher' => ['higher', [[0, 9, 60], [0, 9, 64]], [2], [2]];
        yield 'one alone: the nearest to the caret' => ['alone', $at(0, 960, 1920), [], [2], 1000];
    }

    /**
     * @param  list<array{int, int, int, 3?: int}>  $notes
     * @param  list<int>  $selected
     * @param  list<int>  $then
     * @param  array{int, int}|null  $span
     */
    #[DataProvider('commands')]
    public function test_a_selection_command_at_its_edges(string $command, array $notes, array $selected, array $then, int $near = 0, ?array $span = null, ?int $row = null): void
    {
        $ids = SelectionCommands::apply($command, new Selection([1 => $selected]), Make::score($notes), $near, $span, $row)->notes[1];
        sort($ids);
        self::assertSame($then, $ids);
    }

    public function test_a_part_without_a_selection_has_no_say_beside_one_that_has(): void
    {
        $part = static fn (int $id): Part => Part::of($id, 'Part', [new Note(1, 0, 100, 60, 80), new Note(2, 960, 100, 62, 80)], [], PartSettings::fresh());
        $score = new Score(Timeline::of(960), [1 => $part(1), 2 => $part(2)], [1 => new Track(1, 'Track', 0)], 3, 2);
        $apply = static fn (string $command, array $notes): array => SelectionCommands::apply($command, new Selection($notes), $score)->notes;

        self::assertSame([1 => [2], 2 => []], $apply('next', [1 => [1], 2 => []]));
        self::assertSame([1 => [1, 2], 2 => [1, 2]], $apply('all', [1 => [1], 2 => []]));
        self::assertSame([1 => [1], 2 => []], $apply('top-voices', [1 => [1], 2 => []]));
        self::assertSame([1 => [1, 2], 2 => [1, 2]], $apply('top-voices', [1 => [], 2 => []]));
        // With nothing selected anywhere a walk begins in the part that is named first.
        self::assertSame([1 => [1], 2 => []], $apply('next', [1 => [], 2 => []]));
    }

    public function test_a_group_comes_along_but_for_what_selects_single_notes(): void
    {
        $notes = [new Note(1, 0, 100, 60, 80, group: 1), new Note(2, 960, 100, 62, 80, group: 1), new Note(3, 1920, 100, 64, 80)];
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Part', $notes, [], PartSettings::fresh())], [1 => new Track(1, 'Track', 0)], 2, 2);
        $apply = static fn (string $command, array $ids, int $near = 0): array => SelectionCommands::apply($command, new Selection([1 => $ids]), $score, $near)->notes[1];

        self::assertSame([1, 2], $apply('row', [1]));
        self::assertSame([1], $apply('alone', [1, 2]));
        self::assertSame([2, 3], $apply('inverse', [1]));
        self::assertSame([2, 1], $apply('group', [], 900));
        self::assertSame([1, 2], NoteFilter::parse(['group' => true])->of($score->part(1), $score->time));
        self::assertSame([3], NoteFilter::parse(['group' => false])->of($score->part(1), $score->time));
        self::assertSame([], NoteFilter::parse(['group' => 2])->of($score->part(1), $score->time));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Edits of parts exactly at an edge, one tick before it and one after; one part and several. A bar is 3840 ticks. */
final class EdgesTest extends TestCase
{
    /**
     * @param  list<array{int, int}>  $notes  start and length, in the first part
     * @param  list<array{int, int}>  $points  tick and value of controller 11
     */
    private static function score(array $notes, array $points = [], int $from = 0, int $to = 7680): Score
    {
        $made = array_map(static fn (array $n, int $i): Note => new Note($i + 1, $n[0], $n[1], 60 + $i, 80), $notes, array_keys($notes));
        $first = Part::of(1, 'Line', $made, array_map(static fn (array $p, int $i): Point => new Point($i + 1, $p[0], 0xB0, 11, $p[1]), $points, array_keys($points)), PartSettings::fresh(), PartHead::fresh(1, '', $from, $to));
        $second = Part::of(2, 'Pad', [new Note(1, 3840, 3840, 48, 70, channel: 1)], [new Point(1, 3840, 0xC1, 48), new Point(2, 3840, 0xB1, 11, 90)], PartSettings::fresh(), PartHead::fresh(2, '', 3840, 7680));

        return new Score(Timeline::of(960, [[0, 500_000]], [[0, 4, 4]]), [1 => $first, 2 => $second], [1 => new Track(1, 'Line', 0), 2 => new Track(2, 'Pad', 1), 3 => new Track(3, 'Empty', 2)], 3, 4);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params, mixed $on): Outcome
    {
        $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => $on], $score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($outcome->change->applyTo($score))), "$edit undone");

        return $outcome;
    }

    /** @return list<array{int, int}> start and length of the notes of a part, in order */
    private static function notes(Score $score, int $part): array
    {
        return array_map(static fn (Note $n): array => [$n->start, $n->length], $score->part($part)->inOrder());
    }

    public function test_a_note_across_the_time_that_is_removed_gets_shorter_by_it(): void
    {
        $score = self::score([[0, 960], [960, 2880], [2880, 480], [3840, 960]]);
        $after = self::done($score, 'remove-time', ['from' => 1920, 'to' => 2880], ['parts' => [1]])->change->applyTo($score);
        self::assertSame([[0, 960], [960, 1920], [1920, 480], [2880, 960]], self::notes($after, 1));
    }

    /** @return iterable<string, array{int, int, list<array{int, int}>}> span removed, and the notes after */
    public static function removed(): iterable
    {
        yield 'a note that begins where it begins goes' => [1920, 2880, [[0, 1920]]];
        yield 'one tick later it is cut at the start of it' => [1921, 2881, [[0, 1920], [1920, 1]]];
        yield 'one that ends at its start is left' => [1920, 2400, [[0, 1920], [1920, 480]]];
    }

    /** @param  list<array{int, int}>  $after */
    #[DataProvider('removed')]
    public function test_notes_at_the_edges_of_removed_time(int $from, int $to, array $after): void
    {
        $score = self::score([[0, 1920], [1920, 960]]);
        self::assertSame($after, self::notes(self::done($score, 'remove-time', ['from' => $from, 'to' => $to], ['parts' => [1]])->change->applyTo($score), 1));
    }

    public function test_parts_that_go_with_removed_time_are_not_selected_any_more_and_others_are(): void
    {
        $score = self::score([[0, 960]]);
        $outcome = self::done($score, 'remove-time', ['from' => 3840, 'to' => 7680, 'in' => 'parts'], ['parts' => [1, 2]]);
        self::assertSame([1], $outcome->selection->parts);
        self::assertStringContainsString('of 2 parts, with 1 part.', $outcome->said);
        // What is moved by it stays selected.
        self::assertSame([2], self::done($score, 'remove-time', ['from' => 0, 'to' => 1920, 'in' => 'parts'], ['parts' => [2]])->selection->parts);
    }

    public function test_a_part_that_begins_later_is_repeated_by_its_own_length(): void
    {
        $score = self::score([[0, 960]]);
        $after = self::done($score, 'part-repeat', ['times' => 2], ['parts' => [2]])->change->applyTo($score);
        self::assertSame([3840, 7680, 11_520], array_values(array_map(static fn (Part $p): int => $p->head->from, $after->partsOf(2))));
    }

    public function test_a_point_where_the_window_ends_stays_hidden_in_the_first_when_it_is_split(): void
    {
        $score = self::score([[0, 960]], [[0, 10], [3840, 20], [7679, 30], [7680, 40]]);
        $after = self::done($score, 'part-split', ['at' => 3840], ['parts' => [1]])->change->applyTo($score);
        self::assertSame([0, 7680], array_values(array_map(static fn (Point $p): int => $p->tick, $after->part(1)->points->all())));
        self::assertSame([0, 3840], [$after->part(1)->head->from, $after->part(1)->head->to]);
    }

    /** @return iterable<string, array{int, int}> length of a note from tick 0, and where the new part ends */
    public static function lengths(): iterable
    {
        yield 'to the bar line' => [3840, 3840];
        yield 'a tick over it' => [3841, 7680];
        yield 'a tick short of it' => [3839, 3840];
    }

    #[DataProvider('lengths')]
    public function test_notes_that_come_to_a_track_without_a_part_there_get_one_of_whole_bars(int $length, int $end): void
    {
        $score = self::score([[0, $length]]);
        $after = self::done($score, 'move-to-track', ['track' => 3], ['part' => 1, 'notes' => [1]])->change->applyTo($score);
        [$new] = array_values($after->partsOf(3));
        self::assertSame([0, $end], [$new->head->from, $new->head->to]);
    }

    public function test_what_comes_to_a_track_with_a_sound_leaves_its_own_and_keeps_the_rest_on_the_new_channel(): void
    {
        $score = self::score([[0, 960]], [[0, 64]]);
        $after = self::done($score, 'part-move', ['track' => 1, 'steps' => 0], ['parts' => [2]])->change->applyTo($score);
        $points = array_map(static fn (Point $p): array => [$p->status, $p->data1], array_values($after->part(2)->points->all()));
        self::assertContains([0xB0, 11], $points);
        self::assertSame([0], array_values(array_unique(array_map(static fn (array $p): int => $p[0] & 0x0F, $points))));
        self::assertSame([0], array_values(array_unique(array_map(static fn (Note $n): int => $n->channel, $after->part(2)->notes->all()))));
    }

    public function test_one_part_is_named_where_it_loops_and_several_are_counted(): void
    {
        $score = self::score([[0, 960]]);
        self::assertSame('“Pad” loops up to 5.1.1, 3 times.', self::done($score, 'part-loop', ['until' => 15_360], ['parts' => [2]])->said);
        self::assertStringStartsWith('2 parts loop', self::done($score, 'part-loop', ['until' => 15_360], ['parts' => [1, 2]])->said);
    }

    public function test_hidden_notes_before_the_song_stay_behind_and_the_others_come(): void
    {
        $score = self::score([[0, 480], [1920, 480], [3840, 480]], from: 3840);
        $clip = Readings::read('part-clip', [], $score, new Selection(parts: [1]));
        $outcome = self::done($score, 'part-insert', ['clip' => $clip, 'at' => 1920, 'track' => 3], ['parts' => [1]]);
        $after = $outcome->change->applyTo($score);
        $copy = $after->part($outcome->selection->parts[0]);
        self::assertSame([0, 1920], $copy->notes->column('start'));
        self::assertSame([1920, 5760], [$copy->head->from, $copy->head->to], 'what was hidden is hidden');
        self::assertSame(['1 note that lay hidden before the part would come before the song, and stayed behind.'], $outcome->warnings);
    }

    public function test_windows_of_several_parts_grow_each_for_itself(): void
    {
        $score = self::score([[7200, 480]]);
        $outcome = self::done($score, 'nudge', ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]], [['part' => 1, 'notes' => [1]], ['part' => 2, 'notes' => [1]]]);
        $after = $outcome->change->applyTo($score);
        self::assertSame([11_520, 11_520], [$after->part(1)->head->to, $after->part(2)->head->to]);
        self::assertStringContainsString('“Line” now reaches to the end of bar 3. “Pad” now reaches to the end of bar 3.', $outcome->said);
    }
}

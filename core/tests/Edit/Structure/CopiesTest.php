<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class CopiesTest extends TestCase
{
    public function test_a_phrase_off_the_grid_does_not_drift_however_often_it_is_repeated(): void
    {
        // Two eighths, the first 14 early and the second ringing 20 over the line.
        $score = Make::score([[946, 400, 60], [1445, 495, 62]], ['grid' => '1/8']);
        $after = Make::after($score, 'repeat', ['times' => 3]);

        self::assertSame([946, 1445, 1906, 2405, 2866, 3365, 3826, 4325], Make::starts($after));
        $again = Make::after(Make::after($score, 'repeat'), 'repeat', [], [3, 4]);
        self::assertSame([946, 1445, 1906, 2405, 2866, 3365], Make::starts($again), 'one after another as all at once');
    }

    #[TestWith(['cells', [240, 480]])]
    #[TestWith(['bars', [3840, 4080]])]
    #[TestWith(['span', [2000, 2240]])]
    public function test_the_distance_is_musical(string $every, array $starts): void
    {
        $after = Make::after(Make::score([[0, 200, 60], [240, 190, 62]], ['grid' => '1/8']), 'repeat', ['every' => $every, 'from' => 1000, 'to' => 3000]);

        self::assertSame($every === 'cells' ? [480, 720] : $starts, array_slice(Make::starts($after), 2));
    }

    /** @param  list<array{int, int}>  $notes  start and length */
    #[DataProvider('phrases')]
    public function test_a_phrase_of_more_than_a_bar_is_repeated_by_bars_and_a_shorter_one_by_cells(array $notes, string $every, int $later): void
    {
        $score = Make::score(array_map(static fn (array $n): array => [...$n, 60], $notes), ['grid' => '1/16']);
        $outcome = Make::edit($score, 'repeat');

        self::assertStringEndsWith(" repeated, every $every.", $outcome->said);
        self::assertSame($notes[0][0] + $later, Make::starts($outcome->change->applyTo($score))[count($notes)]);
    }

    /** @return iterable<string, array{list<array{int, int}>, string, int}> */
    public static function phrases(): iterable
    {
        yield 'four bars of strummed chords' => [[[12, 3700], [31, 3700], [3852, 3700], [7690, 3700], [11_540, 3000], [11_561, 3000]], '4 bars', 15_360];
        yield 'a bar, to the tick' => [[[0, 480], [3360, 480]], '16 × 1/16', 3840];
        yield 'a bar and a tail of a tick' => [[[0, 480], [3360, 481]], 'bar', 3840];
        yield 'a tail of half a sixteenth less a tick' => [[[0, 480], [3360, 480 + 119]], 'bar', 3840];
        yield 'a tail of more' => [[[0, 480], [3360, 480 + 121]], '2 bars', 7680];
        yield 'from an upbeat into the second bar' => [[[3360, 480], [3840, 480]], '4 × 1/16', 960];
        yield 'early for its bar' => [[[3800, 480], [7200, 600]], 'bar', 3840];
    }

    public function test_bars_are_counted_through_changes_of_meter_and_an_upbeat_belongs_to_its_bar(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 3, 4]]);
        // Played 30 early for bar 2.
        $after = Make::after(Make::score([[3810, 500, 60]], [], $time), 'repeat', ['every' => 'bars', 'times' => 2]);

        self::assertSame([3810, 6690, 9570], Make::starts($after));
    }

    public function test_copies_are_chosen_and_know_how_they_were_played(): void
    {
        $score = Make::after(Make::score([[10, 200, 60]], ['grid' => '1/4']), 'quantize');
        $outcome = Make::edit($score, 'repeat');
        $after = $outcome->change->applyTo($score);

        self::assertSame([1 => [2]], $outcome->selection->notes);
        self::assertSame('1 note repeated, every 1/4.', $outcome->said);
        self::assertSame([0, 970], Make::starts(Make::after($after, 'as-played', [], [2])));
    }

    public function test_more_copies_than_can_be_are_refused(): void
    {
        $notes = array_fill(0, 4000, [0, 10, 60]);
        $this->expectException(Refusal::class);
        Make::edit(Make::score($notes), 'repeat', ['times' => 64]);
    }

    public function test_what_is_copied_of_a_span_is_cut_at_its_edges_and_the_notes_stay(): void
    {
        $score = self::long();
        $after = Make::after($score, 'copy-span', ['from' => 960, 'to' => 1920], []);

        self::assertSame([[0, 3000], [1000, 200], [1920, 100], [1920, 960], [1960, 200]], self::places($after));
        self::assertSame([[0, 3000], [40, 200], [1000, 200], [1920, 100]], self::places(Make::after($score, 'copy-span', ['from' => 960, 'to' => 1920, 'at' => 0], [2])), 'only what is selected');
    }

    public function test_what_is_cut_out_of_a_span_leaves_the_rest_of_each_note(): void
    {
        self::assertSame([[0, 960], [1920, 100], [1920, 1080]], self::places(Make::after(self::long(), 'cut-span', ['from' => 960, 'to' => 1920], [])));
        self::assertSame([[0, 960], [1000, 200], [1920, 100], [1920, 1080]], self::places(Make::after(self::long(), 'cut-span', ['from' => 960, 'to' => 1920], [1])), 'only of what is selected');
        self::assertSame('Nothing sounds in the span: nothing changed.', Make::edit(self::long(), 'cut-span', ['from' => 9000, 'to' => 9001], [])->said);
    }

    public function test_a_piece_keeps_how_the_edges_were_played_that_are_its_own(): void
    {
        $score = Make::after(Make::score([[20, 1000, 60]], ['grid' => '1/4']), 'quantize');
        $after = Make::after($score, 'cut-span', ['from' => 500, 'to' => 600], []);

        self::assertSame([20, 0], array_values(array_map(static fn ($n): int => $n->driftStart, $after->part(1)->notes->all())));
    }

    public function test_what_is_carried_away_and_put_in_elsewhere_lies_off_the_line_as_it_did(): void
    {
        $score = Make::score([[950, 300, 60, 33], [1440, 300, 64]], ['grid' => '1/4']);
        $clip = Readings::read('clip', [], $score, new Selection([1 => [1, 2]]));

        self::assertSame([960, 780], [$clip['anchor'], $clip['length']]);
        $after = Make::after($score, 'insert', ['notes' => $clip['notes'], 'at' => 3840, 'anchor' => $clip['anchor']], []);
        self::assertSame([950, 1440, 3830, 4320], Make::starts($after));
        self::assertSame(33, Make::velocities($after)[2]);
        self::assertSame([0, 490], array_slice(Make::starts(Make::after($score, 'insert', ['notes' => $clip['notes'], 'at' => 0, 'anchor' => 960], [])), 2), 'but not before the song');
        self::assertSame([], Readings::read('clip', [], $score, new Selection([1 => []]))['notes']);
    }

    private static function long(): Score
    {
        return Make::score([[0, 3000, 60], [1000, 200, 62], [1920, 100, 64]]);
    }

    /** @return list<array{int, int}> start and length, in order of time */
    private static function places(Score $score): array
    {
        $places = array_map(static fn ($n): array => [$n->start, $n->length], array_values($score->part(1)->notes->all()));
        sort($places);

        return $places;
    }
}

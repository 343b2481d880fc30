<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Time;

use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LinesTest extends TestCase
{
    /** @return iterable<string, array{string, float, list<int>}> */
    public static function bars(): iterable
    {
        yield 'quarters' => ['1/4', 50, [0, 960, 1920, 2880]];
        yield 'eighth triplets' => ['1/8T', 50, [0, 320, 640, 960, 1280, 1600, 1920, 2240, 2560, 2880, 3200, 3520]];
        yield 'dotted quarters begin anew at the bar' => ['1/4D', 50, [0, 1440, 2880]];
        yield 'five in the time of four' => ['1/8:5', 50, [0, 384, 768, 1152, 1536, 1920, 2304, 2688, 3072, 3456]];
        yield 'seven do not drift' => ['1/4:7', 50, [0, 549, 1097, 1646, 2194, 2743, 3291]];
        yield 'swung eighths' => ['1/8', 66.67, [0, 640, 960, 1600, 1920, 2560, 2880, 3520]];
        yield 'swung far' => ['1/8', 75, [0, 720, 960, 1680, 1920, 2640, 2880, 3600]];
        yield 'a lone last cell stays straight' => ['1/4D', 60, [0, 1728, 2880]];
        yield 'bars do not swing' => ['bar', 75, [0]];
    }

    /** @param  list<int>  $expected */
    #[DataProvider('bars')]
    public function test_the_lines_of_a_bar_of_four_quarters(string $grid, float $swing, array $expected): void
    {
        $table = Timeline::of(960)->lines(Grid::parse($grid), $swing)->table();

        self::assertSame($expected, $table['patterns'][$table['runs'][0][4][0][1]]);
    }

    public function test_lines_start_anew_at_each_bar_through_a_change_of_meter(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 7, 8], [3840 + 2 * 3360, 3, 4]]);
        $lines = $time->lines(Grid::parse('1/4'));

        self::assertSame(3840, $lines->nearest(3800));
        self::assertSame(3840 + 2880, $lines->nearest(3840 + 2900));
        self::assertSame(3840 + 3360, $lines->nearest(3840 + 3300), 'the bar line, though the last cell of 7/8 is half as long');
        self::assertSame([3840 + 2880, 3840 + 3360], $lines->around(3840 + 3000));
    }

    public function test_grids_of_bars_count_from_the_start_of_the_song(): void
    {
        $lines = Timeline::of(960, [], [[0, 4, 4], [3840, 3, 4]])->lines(Grid::parse('2bar'));

        self::assertSame([0, 3840 + 2880], $lines->around(5000));
        self::assertSame(3840 + 2880, $lines->after(0));
        self::assertSame(6720.0, $lines->cell(100));
    }

    public function test_a_tie_goes_to_the_later_line(): void
    {
        $lines = Timeline::of(960)->lines(Grid::parse('1/4'));

        self::assertSame([0, 960, 960], [$lines->nearest(479), $lines->nearest(480), $lines->nearest(481)]);
    }

    /** @return iterable<string, array{string, float}> */
    public static function grids(): iterable
    {
        foreach (['1/1', '1/2', '1/4', '1/8D', '1/16', '1/16T', '1/32', '1/128', '1/16:5', '1/8:7', 'bar', '4bar'] as $grid) {
            foreach ([50.0, 57.5, 66.67, 75.0] as $swing) {
                yield "$grid at $swing" => [$grid, $swing];
            }
        }
    }

    #[DataProvider('grids')]
    public function test_nearest_before_and_after_agree_with_the_table_that_is_drawn(string $grid, float $swing): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [7680, 5, 8], [7680 + 3 * 2400, 3, 4]]);
        $lines = $time->lines(Grid::parse($grid), $swing);
        $drawn = Make::drawn($lines->table(), 40_000);
        $sorted = $drawn;
        sort($sorted);
        self::assertSame(array_values(array_unique($sorted)), $drawn, 'lines rise and none stands twice');
        $last = $drawn[count($drawn) - 1];
        for ($tick = 0; $tick < min(30_000, $last); $tick += 211) {
            $after = current(array_filter($drawn, static fn (int $l): bool => $l > $tick));
            $before = max(array_filter($drawn, static fn (int $l): bool => $l <= $tick));
            self::assertSame([$before, $after], $lines->around($tick), "around $tick");
            self::assertSame($after - $tick <= $tick - $before ? $after : $before, $lines->nearest($tick), "nearest to $tick");
            self::assertSame($after, $lines->after($tick));
        }
        $ticks = [...range(0, $last - 1, 311), 5, 4, $last - 1, 0];
        self::assertSame(array_map($lines->nearest(...), $ticks), $time->lines(Grid::parse($grid), $swing)->nearestOf($ticks));
    }

    public function test_bars_go_out_as_runs_whatever_the_length_of_the_song(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840 * 3, 4, 4], [3840 * 5 + 100, 3, 4], [3840 * 5 + 100 + 2880 * 1_000_000, 7, 8]]);
        $table = $time->lines(Grid::parse('1/4'))->table();

        // Two changes that change nothing are one run; a bar that is cut short is its own.
        self::assertSame([
            [0, 0, 3840, 5, [[0, 0]]],
            [3840 * 5, 5, 100, 1, [[0, 1]]],
            [3840 * 5 + 100, 6, 2880, 1_000_000, [[0, 2]]],
        ], array_slice($table['runs'], 0, 3));
        // 7/8 has the lines of 4/4.
        self::assertSame([[0, 960, 1920, 2880], [0], [0, 960, 1920]], $table['patterns']);
        self::assertSame([[0, 0]], $table['runs'][3][4]);
        self::assertCount(4, $table['runs']);
        self::assertGreaterThan(1 << 40, $table['runs'][3][2] * $table['runs'][3][3], 'the last goes on for ever');
    }

    public function test_bars_of_no_whole_number_of_ticks_come_round_with_their_rounding(): void
    {
        // A bar of 5/64 at 100 ticks a quarter is 31.25 ticks.
        $time = Timeline::of(100, [], [[0, 5, 64]]);
        $table = $time->lines(Grid::parse('2bar'))->table();

        self::assertSame([0, 0, 125], array_slice($table['runs'][0], 0, 3));
        $starts = Make::bars($table, 4000);
        foreach ($starts as $i => $start) {
            self::assertSame($time->meters->barNumber($i)->start, $start);
        }
        self::assertGreaterThan(100, count($starts));
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_grid_is_refused_with_what_is_allowed(string $grid): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/^“grid” was .*allowed: /u');
        Grid::parse($grid);
    }

    /** @return iterable<array{string}> */
    public static function wrong(): iterable
    {
        foreach (['', '1/3', '1/256', '2/4', '1/8TD', 'bars', '3bar!', '32bar', '1/8:1', '1/8:', '-1/4'] as $grid) {
            yield $grid => [$grid];
        }
    }

    public function test_a_grid_is_turned_by_key_and_back(): void
    {
        self::assertSame('1/8T', Grid::parse('1/8')->turned('triplet')->name);
        self::assertSame('1/8', Grid::parse('1/8T')->turned('triplet')->name);
        self::assertSame('1/8D', Grid::parse('1/8T')->turned('dotted')->name);
        self::assertSame('1/16T', Grid::parse('1/8T')->turned('finer')->name);
        self::assertSame('1/4', Grid::parse('1/8')->turned('coarser')->name);
        self::assertSame('2bar', Grid::parse('1/1')->turned('coarser')->turned('coarser')->name);
        $names = [];
        for ($grid = Grid::parse('1/16T'); ! in_array($grid->name, $names, true); $grid = $grid->turned('tuplet')) {
            $names[] = $grid->name;
        }
        self::assertSame(['1/16T', '1/16:5', '1/16:6', '1/16:7', '1/16:9', '1/16:10', '1/16:11', '1/16:13', '1/16'], $names);
        $this->expectException(Refusal::class);
        Grid::parse('1/8')->turned('sideways');
    }
}

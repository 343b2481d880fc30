<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Time;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Step;
use Jactonic\Core\Time\TempoMap;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class MapsTest extends TestCase
{
    public function test_ticks_become_seconds_piece_by_piece(): void
    {
        $map = new TempoMap(960, [[0, 500_000], [1920, 1_000_000], [2880, 250_000]]);

        self::assertSame([0.0, 0.5, 1.0, 1.5, 2.0, 2.25], array_map($map->seconds(...), [0, 960, 1920, 2400, 2880, 3840]));
        self::assertSame([[0, 0.0, 500_000], [1920, 1.0, 1_000_000], [2880, 2.0, 250_000]], $map->toTable());
    }

    public function test_seconds_become_the_same_ticks_again(): void
    {
        $map = new TempoMap(960, [[0, 517_241], [1001, 333_333], [5_777, 1_234_567]]);
        for ($tick = 0; $tick < 12_000; $tick += 13) {
            self::assertEqualsWithDelta($tick, $map->tick($map->seconds($tick)), 1e-6);
        }
    }

    public function test_a_shift_in_milliseconds_goes_through_a_change_of_tempo(): void
    {
        $map = new TempoMap(960, [[0, 500_000], [960, 1_000_000]]);

        // 250 ms to the change at 120 a minute, 250 ms after it at 60.
        self::assertEqualsWithDelta(960 + 240, $map->shift(480, 500), 1e-9);
        self::assertEqualsWithDelta(480, $map->shift(1200, -500), 1e-9);
        self::assertEqualsWithDelta(500, $map->milliseconds(480, 1200), 1e-9);
    }

    public function test_a_song_with_no_tempo_goes_at_120(): void
    {
        self::assertSame(0.5, (new TempoMap(480))->seconds(480));
    }

    public function test_bars_are_counted_through_changes_of_meter(): void
    {
        $map = Timeline::of(960, [], [[0, 4, 4], [7680, 6, 8], [7680 + 2880, 2, 2]])->meters;

        self::assertSame('1.1.1', $map->position(0));
        self::assertSame('2.4.4.99', $map->position(7679));
        self::assertSame('3.1.1', $map->position(7680));
        self::assertSame('3.6.2.99', $map->position(7680 + 2879));
        self::assertSame('4.2.1', $map->position(7680 + 2880 + 1920));
        self::assertSame(2, $map->barAt(8000)->index);
        self::assertSame(7680 + 2880 + 3840, $map->barNumber(4)->start);
    }

    public function test_a_meter_in_the_middle_of_a_bar_cuts_it_short(): void
    {
        $map = Timeline::of(960, [], [[0, 4, 4], [960, 3, 4]])->meters;

        self::assertSame(960, $map->barNumber(1)->start);
        self::assertSame(3840, $map->barNumber(2)->start);
    }

    /** @return iterable<string, array{array<string, mixed>, int, float}> */
    public static function steps(): iterable
    {
        yield 'a cell of the grid' => [['unit' => 'grid', 'amount' => 1], 1, 240.0];
        yield 'three cells back' => [['unit' => 'grid', 'amount' => 1], -3, -720.0];
        yield 'a note value' => [['unit' => 'value', 'amount' => '1/8T'], 2, 640.0];
        yield 'a bar' => [['unit' => 'bar', 'amount' => 1], 1, 3840.0];
        yield '10 ms' => [['unit' => 'ms', 'amount' => 10], 1, 19.2];
        yield '480 samples' => [['unit' => 'samples', 'amount' => 480, 'rate' => 48_000], -1, -19.2];
        yield '7 ticks' => [['unit' => 'ticks', 'amount' => 7], 2, 14.0];
    }

    /** @param  array<string, mixed>  $by */
    #[DataProvider('steps')]
    public function test_a_step_is_as_long_as_its_unit_says(array $by, int $steps, float $expected): void
    {
        $time = Timeline::of(960);

        self::assertEqualsWithDelta($expected, Step::parse($by)->distance($time, $time->lines(Grid::parse('1/16')), $steps, 7680), 1e-6);
    }

    public function test_a_step_of_bars_is_as_long_as_the_bars_it_crosses(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 3, 4]]);
        $lines = $time->lines(Grid::parse('1/16'));

        self::assertSame(3840.0, Step::parse(['unit' => 'bar', 'amount' => 1])->distance($time, $lines, 1, 0));
        self::assertSame(2880.0, Step::parse(['unit' => 'bar', 'amount' => 1])->distance($time, $lines, 1, 3840));
    }

    /** @return iterable<array{mixed}> */
    public static function wrong(): iterable
    {
        yield [null];
        yield [['unit' => 'beats', 'amount' => 1]];
        yield [['unit' => 'ms', 'amount' => 0]];
        yield [['unit' => 'ms', 'amount' => -5]];
        yield [['unit' => 'ms', 'amount' => INF]];
        yield [['unit' => 'bar', 'amount' => 1.5]];
        yield [['unit' => 'value', 'amount' => 4]];
        yield [['unit' => 'samples', 'amount' => 4, 'rate' => 0]];
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_step_is_refused(mixed $by): void
    {
        $this->expectException(Refusal::class);
        Step::parse($by);
    }
}

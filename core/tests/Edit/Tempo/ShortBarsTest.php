<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Tempo;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Meter;
use Jactonic\Core\Time\MeterMap;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Changes of meter that stand where others are set, or where time is put in: what becomes of their bars. 4/4 is 3840 ticks. */
final class ShortBarsTest extends TestCase
{
    /** @param  list<array{int, int, int}>  $meters */
    private static function score(array $meters): Score
    {
        return Make::score([[0, 480, 60], [20_000, 480, 62]], time: Timeline::of(960, [], array_map(static fn (array $m): array => [...$m, 24, 8, 0, 0], $meters)));
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params): Outcome
    {
        $outcome = Batch::once(['edit' => $edit, 'params' => $params], $score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($outcome->change->applyTo($score))));

        return $outcome;
    }

    /** @return list<array{int, int, int}> */
    private static function meters(Score $score, Outcome $outcome): array
    {
        return $outcome->change->applyTo($score)->time->meters->toArray();
    }

    public function test_the_bars_that_are_short(): void
    {
        $map = static fn (Meter ...$changes): array => (new MeterMap(960, array_values($changes)))->shortBars();
        self::assertSame([], $map(new Meter(0, 4, 4), new Meter(3840, 3, 4)));
        self::assertSame([3841 => 1], $map(new Meter(0, 4, 4), new Meter(3841, 3, 4)));
        self::assertSame([3839 => 0, 9598 => 2], $map(new Meter(0, 4, 4), new Meter(3839, 3, 4), new Meter(9598, 4, 4)));
    }

    /** @return iterable<string, array{array<string, mixed>, list<array{int, int, int}>, string}> */
    public static function set(): iterable
    {
        $later = [[0, 4, 4], [7680, 3, 4], [13_440, 4, 4]];
        yield 'they stay, and a bar is short' => [['beats' => 3], [[0, 3, 4], [7680, 3, 4], [13_440, 4, 4]], 'Meter 3/4 from 1.1.1. Bar 3 is cut short by the meter change that follows.'];
        yield 'they move to bar lines' => [['beats' => 3, 'later' => 'move'], [[0, 3, 4], [8640, 3, 4], [14_400, 4, 4]], 'Meter 3/4 from 1.1.1. 2 later changes moved to the next bar line.'];
        yield 'where none would be short none moves' => [['beats' => 2, 'later' => 'move'], [[0, 2, 4], ...array_slice($later, 1)], 'Meter 2/4 from 1.1.1.'];
        yield 'only those after it' => [['beats' => 5, 'bar' => 3, 'later' => 'move'], [[0, 4, 4], [7680, 5, 4], [17_280, 4, 4]], 'Meter 5/4 from 3.1.1. 1 later change moved to the next bar line.'];
        yield 'two bars are short' => [['beats' => 5, 'at' => 0], [[0, 5, 4], [7680, 3, 4], [13_440, 4, 4]], 'Meter 5/4 from 1.1.1. Bar 2 is cut short by the meter change that follows.'];
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  list<array{int, int, int}>  $meters
     */
    #[DataProvider('set')]
    public function test_a_meter_that_is_set_says_what_becomes_of_later_changes(array $params, array $meters, string $said): void
    {
        $score = self::score([[0, 4, 4], [7680, 3, 4], [13_440, 4, 4]]);
        $outcome = self::done($score, 'meter-set', $params);
        self::assertSame([$meters, $said], [self::meters($score, $outcome), $outcome->said]);
    }

    public function test_several_bars_are_named_and_those_that_were_short_before_are_not(): void
    {
        $score = self::score([[0, 4, 4], [7680, 3, 4], [8640, 4, 4], [16_320, 4, 4]]);
        self::assertSame('Meter 3/4 from 1.1.1. Bar 3 is cut short by the meter change that follows.', self::done($score, 'meter-set', ['beats' => 3])->said);
        $score = self::score([[0, 4, 4], [7680, 4, 4], [15_360, 4, 4]]);
        self::assertStringEndsWith('Bar 2 is cut short by the meter change that follows.', self::done($score, 'meter-set', ['beats' => 7])->said);
        $score = self::score([[0, 4, 4], [3840, 4, 4], [7680, 3, 4]]);
        $all = self::done($score, 'remove-time', ['from' => 960, 'to' => 4800]);
        self::assertStringEndsWith('Bars 1 and 2 are cut short by the meter change that follows.', $all->said);
    }

    public function test_time_put_in_where_the_meter_changes_is_in_the_new_meter(): void
    {
        $score = self::score([[0, 4, 4], [7680, 3, 4], [13_440, 4, 4]]);
        $outcome = self::done($score, 'insert-time', ['from' => 7680, 'to' => 13_440]);
        self::assertSame([[0, 4, 4], [7680, 3, 4], [19_200, 4, 4]], self::meters($score, $outcome));
        self::assertSame('2 bars inserted at 3.1.1.', $outcome->said);
        // One tick before it, it goes along with what it holds for.
        $outcome = self::done($score, 'insert-time', ['from' => 3840, 'to' => 7680]);
        self::assertSame([[0, 4, 4], [11_520, 3, 4], [17_280, 4, 4]], self::meters($score, $outcome));
    }

    public function test_bars_that_put_in_time_cuts_short_are_said(): void
    {
        $score = self::score([[0, 4, 4], [7680, 3, 4]]);
        self::assertStringEndsWith(' Bar 3 is cut short by the meter change that follows.', self::done($score, 'insert-time', ['from' => 3840, 'to' => 4800])->said);
        self::assertStringEndsWith(' Bar 2 is cut short by the meter change that follows.', self::done($score, 'remove-time', ['from' => 3840, 'to' => 4800])->said);
        self::assertStringNotContainsString('short', self::done($score, 'insert-time', ['from' => 7680, 'to' => 8000])->said);
        self::assertStringNotContainsString('short', self::done($score, 'insert-time', ['from' => 9000, 'to' => 9100])->said);
    }
}

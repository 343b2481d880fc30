<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** A phrase put into another meter. */
final class MeterTest extends TestCase
{
    public function test_bars_are_stretched_and_the_meter_goes_along(): void
    {
        $waltz = Timeline::of(960, [], [[0, 3, 4]]);
        $score = Make::score([[0, 960, 60], [960, 480, 62], [2880, 960, 64], [4800, 960, 65]], [], $waltz);
        $after = Make::after($score, 'to-meter', ['beats' => 4]);

        self::assertSame([0, 1280, 3840, 6400], Make::starts($after));
        self::assertSame([1280, 640, 1280, 1280], Make::lengths($after));
        self::assertSame([[0, 4, 4], [7680, 3, 4]], array_map(static fn (array $m): array => array_slice($m, 0, 3), $after->time->meterRows));
        // And back again.
        $back = Make::after($after, 'to-meter', ['beats' => 3]);
        self::assertSame(Make::starts($score), Make::starts($back));
        self::assertSame(Make::lengths($score), Make::lengths($back));
        self::assertSame([[0, 3, 4]], array_map(static fn (array $m): array => array_slice($m, 0, 3), array_slice($back->time->meterRows, 0, 1)));
    }

    public function test_bars_are_filled_with_silence_where_they_are_longer(): void
    {
        $waltz = Timeline::of(960, [], [[0, 3, 4]]);
        $score = Make::score([[0, 960, 60], [1920, 960, 62], [2880, 960, 64]], [], $waltz);
        $after = Make::after($score, 'to-meter', ['beats' => 4, 'how' => 'fill', 'meter' => 'stays']);

        self::assertSame([0, 1920, 3840], Make::starts($after));
        self::assertSame([960, 960, 960], Make::lengths($after));
        self::assertCount(1, $after->time->meterRows);
    }

    public function test_a_note_at_a_beat_that_the_bar_has_not_is_named_and_nothing_changes(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('D4 at 1.4.1 is on a beat that a bar of 3/4 does not have');
        Make::edit(Make::score([[0, 960, 60], [2880, 960, 62]]), 'to-meter', ['beats' => 3, 'how' => 'fill']);
    }

    public function test_a_note_a_little_early_belongs_to_the_bar_it_is_meant_for(): void
    {
        $after = Make::after(Make::score([[0, 960, 60], [3830, 960, 62]]), 'to-meter', ['beats' => 3]);

        self::assertEqualsWithDelta(2880 - 7.5, Make::starts($after)[1], 1);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Length;

use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

final class LengthsTest extends TestCase
{
    public function test_a_length_is_set_by_note_value_by_bar_or_by_ticks(): void
    {
        $score = Make::score([[0, 5, 60], [4000, 9999, 62]], time: Timeline::of(960, [], [[0, 4, 4], [3840, 7, 8]]));

        self::assertSame([240, 240], Make::lengths(Make::after($score, 'set-length', ['value' => '1/16'])));
        self::assertSame([720, 720], Make::lengths(Make::after($score, 'set-length', ['value' => '1/8D'])));
        self::assertSame([77, 77], Make::lengths(Make::after($score, 'set-length', ['value' => 77])));
        self::assertSame([3840, 3360], Make::lengths(Make::after($score, 'set-length', ['value' => 'bar'])));
    }

    public function test_a_length_that_is_no_whole_tick_keeps_its_fraction(): void
    {
        // A thirty-second triplet at 960 is 80 ticks; at 100 a quarter it is 8⅓, and three of them are 25.
        $score = Make::score([[0, 5, 60]], time: Timeline::of(100));
        $third = Make::after($score, 'set-length', ['value' => '1/32T']);

        self::assertSame([8], Make::lengths($third));
        self::assertSame([25], Make::lengths(Make::after($third, 'scale-length', ['percent' => 300])));
    }

    public function test_lengths_are_scaled_about_the_start_and_come_back_exactly(): void
    {
        $score = Make::score([[10, 101, 60], [500, 3, 62], [600, 1, 64]]);
        $half = Make::edit($score, 'scale-length', ['percent' => 50]);
        $after = $half->change->applyTo($score);

        self::assertSame([51, 2, 1], Make::lengths($after));
        self::assertSame([10, 500, 600], Make::starts($after));
        self::assertSame([101, 3], array_slice(Make::lengths(Make::after($after, 'scale-length', ['percent' => 200])), 0, 2));
        self::assertSame([], $half->warnings, 'half a tick is rounded up to one');
        self::assertSame(['3 notes could get no shorter than 1 tick.'], Make::edit(Make::score([[0, 10, 60], [0, 20, 61], [0, 40, 62]]), 'scale-length', ['percent' => 1])->warnings);
    }

    public function test_notes_start_at_a_place_where_their_ends_stay_and_earlier_ones_stay(): void
    {
        $outcome = Make::edit($score = Make::score([[0, 480, 60], [0, 481, 62], [500, 2000, 64], [960, 50, 65]]), 'start-at', ['tick' => 480]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([0, 480, 480, 480], Make::starts($after));
        self::assertSame([480, 1, 2020, 530], Make::lengths($after));
        self::assertSame('3 notes start at 1.1.3; 1 end there or earlier and stay.', $outcome->said);
        self::assertSame([0, 0, 500, 960], Make::starts(Make::after($after, 'as-played')));
        self::assertSame('1 note starts at 1.1.1.', Make::edit(Make::score([[100, 10, 60]]), 'start-at', ['tick' => 0])->said);
    }

    public function test_notes_end_at_a_place_and_later_ones_stay(): void
    {
        $outcome = Make::edit($score = Make::score([[0, 100, 60], [500, 2000, 62], [960, 50, 64], [2000, 50, 65]]), 'end-at', ['tick' => 960]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([960, 460, 50, 50], Make::lengths($after));
        self::assertSame('2 notes end at 1.2.1; 2 start there or later and stay.', $outcome->said);
        self::assertSame([100, 2000, 50, 50], Make::lengths(Make::after($after, 'as-played')));
    }
}

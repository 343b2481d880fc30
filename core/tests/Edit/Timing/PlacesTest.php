<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** Moving a group to a line or to a place, its shape kept. */
final class PlacesTest extends TestCase
{
    public function test_the_first_note_goes_to_the_next_line_and_the_rest_keep_their_places_from_it(): void
    {
        $score = Make::score([[500, 100, 60], [250, 100, 62], [1000, 100, 64]]);

        self::assertSame([730, 480, 1230], Make::starts(Make::after($score, 'snap-nudge')));
        self::assertSame([490, 240, 990], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -1])));
        self::assertSame([250, 0, 750], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -2])));
        self::assertSame([250, 0, 750], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -9])), 'not before the song');
    }

    public function test_from_a_line_it_goes_to_the_next_one_and_swung_lines_are_obeyed(): void
    {
        $score = Make::score([[240, 100, 60]], ['swing' => 60]);

        self::assertSame([288], Make::starts(Make::after($score, 'snap-nudge')));
        self::assertSame([480], Make::starts(Make::after($score, 'snap-nudge', ['steps' => 2])));
        self::assertSame([0], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -1])));
    }

    public function test_on_the_first_line_nothing_moves_and_it_says_so(): void
    {
        $outcome = Make::edit(Make::score([[0, 100, 60]]), 'snap-nudge', ['steps' => -1]);

        self::assertTrue($outcome->change->isEmpty());
        self::assertStringContainsString('first line', $outcome->said);
    }

    public function test_a_fraction_that_was_carried_is_gone_on_the_line(): void
    {
        $off = Make::after(Make::score([[100, 10, 60]]), 'nudge', ['by' => ['unit' => 'ticks', 'amount' => 0.4]]);
        $after = Make::after($off, 'snap-nudge');

        self::assertSame([240], Make::starts($after));
        self::assertSame(0.0, $after->part(1)->notes[1]->carryStart);
    }

    public function test_the_first_goes_to_a_tick_and_drift_travels_along(): void
    {
        $score = Make::after(Make::score([[490, 100, 60], [715, 100, 62]]), 'quantize');
        $after = Make::after($score, 'move-to', ['tick' => 3840]);

        self::assertSame([3840, 4080], Make::starts($after));
        self::assertSame([3850, 4075], Make::starts(Make::after($after, 'as-played')));
        self::assertSame('2 notes moved to 2.1.1.', Make::edit($score, 'move-to', ['tick' => 3840])->said);
    }
}

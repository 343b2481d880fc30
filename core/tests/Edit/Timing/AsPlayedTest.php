<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

final class AsPlayedTest extends TestCase
{
    public function test_any_notes_go_back_at_any_time_whatever_came_between(): void
    {
        $score = Make::score([[13, 200, 60], [230, 300, 62], [500, 90, 64]]);
        $after = Make::after($score, 'quantize', ['target' => 'both']);
        $after = Make::after($after, 'quantize', ['grid' => '1/4', 'strength' => 60]);
        $after = Make::after($after, 'resize', ['steps' => 2]);
        $after = Make::after($after, 'velocity-set', ['value' => 99]);
        $two = Make::after($after, 'as-played', [], [1, 3]);

        self::assertSame([13, Make::starts($after)[1], 500], Make::starts($two));
        self::assertSame([200, Make::lengths($after)[1], 90], Make::lengths($two));
        self::assertSame([13, 230, 500], Make::starts(Make::after($two, 'as-played')));
    }

    public function test_a_quantized_note_nudged_a_bar_on_returns_to_its_feel_there(): void
    {
        $after = Make::after(Make::score([[13, 200, 60]]), 'quantize');
        $after = Make::after($after, 'nudge', ['by' => ['unit' => 'bar', 'amount' => 1]]);
        $after = Make::after($after, 'transpose', ['semitones' => 12]);

        self::assertSame([3840 + 13], Make::starts(Make::after($after, 'as-played')));
    }

    public function test_starts_and_lengths_go_back_each_alone(): void
    {
        $after = Make::after(Make::score([[13, 200, 60]]), 'quantize', ['target' => 'both']);

        $start = Make::after($after, 'as-played', ['what' => 'start']);
        self::assertSame([[13], [240]], [Make::starts($start), Make::lengths($start)]);
        $length = Make::after($after, 'as-played', ['what' => 'length']);
        self::assertSame([[0], [200]], [Make::starts($length), Make::lengths($length)]);
    }

    public function test_it_says_how_many_went_back(): void
    {
        $after = Make::after(Make::score([[13, 200, 60], [240, 9, 61]]), 'quantize');

        self::assertSame('2 notes: 1 moved back to the played timing.', Make::edit($after, 'as-played')->said);
        self::assertSame('1 note: all have the played timing already.', Make::edit($after, 'as-played', [], [2])->said);
    }

    public function test_a_feel_before_the_songs_start_is_refused_whole(): void
    {
        $after = Make::after(Make::score([[220, 200, 60], [250, 9, 61]]), 'quantize');
        $after = Make::after($after, 'nudge', ['steps' => -1]);

        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/^C4 at 1\.1\.1 .*nothing moved\.$/');
        Make::edit($after, 'as-played');
    }
}

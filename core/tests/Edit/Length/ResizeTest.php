<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Length;

use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

final class ResizeTest extends TestCase
{
    public function test_ends_move_by_the_step(): void
    {
        $score = Make::score([[0, 200, 60], [500, 300, 61]], ['grid' => '1/16']);

        self::assertSame([440, 540], Make::lengths(Make::after($score, 'resize')));
        self::assertSame([200 + 960, 300 + 960], Make::lengths(Make::after($score, 'resize', ['by' => ['unit' => 'value', 'amount' => '1/4']])));
        self::assertSame([190, 290], Make::lengths(Make::after($score, 'resize', ['steps' => -1, 'by' => ['unit' => 'ticks', 'amount' => 10]])));
    }

    public function test_starts_move_and_ends_stay(): void
    {
        $after = Make::after(Make::score([[480, 480, 60]]), 'resize', ['edge' => 'start', 'steps' => -1]);
        self::assertSame([[240], [720]], [Make::starts($after), Make::lengths($after)]);

        $after = Make::after(Make::score([[480, 480, 60]]), 'resize', ['edge' => 'start', 'steps' => 1]);
        self::assertSame([[720], [240]], [Make::starts($after), Make::lengths($after)]);
    }

    public function test_no_note_gets_shorter_than_a_tick_and_it_says_so(): void
    {
        $score = Make::score([[0, 200, 60], [0, 300, 61]]);
        $outcome = Make::edit($score, 'resize', ['steps' => -1]);

        self::assertSame([1, 60], Make::lengths($outcome->change->applyTo($score)));
        self::assertSame(['1 note could get no shorter than 1 tick.'], $outcome->warnings);
    }

    public function test_many_small_steps_equal_one_big_one(): void
    {
        $by = ['unit' => 'ms', 'amount' => 7];
        $small = $score = Make::score([[0, 200, 60]]);
        for ($i = 0; $i < 11; $i++) {
            $small = Make::after($small, 'resize', ['by' => $by]);
        }

        self::assertSame(Make::lengths(Make::after($score, 'resize', ['steps' => 11, 'by' => $by])), Make::lengths($small));
    }

    public function test_the_played_length_comes_back(): void
    {
        $after = Make::after(Make::score([[7, 200, 60]]), 'resize', ['steps' => 3]);

        self::assertSame([200], Make::lengths(Make::after($after, 'as-played', ['what' => 'length'])));
    }
}

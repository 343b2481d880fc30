<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

final class HumanizeTest extends TestCase
{
    public function test_offsets_stay_within_their_limits_and_are_spread_like_a_bell(): void
    {
        $score = Make::score(array_map(static fn (int $i): array => [960 + 240 * $i, 200, 60, 64], range(0, 1999)));
        $after = Make::after($score, 'humanize', ['timing' => 10, 'velocity' => 8, 'length' => 20, 'seed' => 4]);
        $ms = array_map(static fn (int $a, int $b): float => ($a - $b) / 1.92, Make::starts($after), Make::starts($score));

        // 10 ms are 19.2 ticks at 120; starts are whole ticks.
        self::assertLessThanOrEqual(10.3, max(array_map('abs', $ms)));
        self::assertEqualsWithDelta(0, array_sum($ms) / 2000, 0.5);
        // Of a bell with a spread of 5 ms, cut at 10, about seven in ten lie within 5 ms; of an even spread it were five.
        $within = count(array_filter($ms, static fn (float $x): bool => abs($x) <= 5));
        self::assertGreaterThan(1300, $within);
        self::assertLessThan(1500, $within);
        self::assertSame([56, 72], [min(Make::velocities($after)), max(Make::velocities($after))]);
        self::assertGreaterThanOrEqual(160, min(Make::lengths($after)));
        self::assertLessThanOrEqual(240, max(Make::lengths($after)));
    }

    public function test_bias_moves_the_middle(): void
    {
        $score = Make::score(array_map(static fn (int $i): array => [960 + 240 * $i, 200, 60], range(0, 499)));
        $mean = static function (int $bias) use ($score): float {
            $after = Make::starts(Make::after($score, 'humanize', ['timing' => 20, 'bias' => $bias]));

            return array_sum(array_map(static fn (int $a, int $b): float => ($a - $b) / 1.92, $after, Make::starts($score))) / 500;
        };

        self::assertLessThan(-8, $mean(-100));
        self::assertEqualsWithDelta(0, $mean(0), 1);
        self::assertGreaterThan(8, $mean(100));
    }

    public function test_a_seed_is_repeatable_another_is_another_and_the_order_of_choosing_does_not_matter(): void
    {
        $score = Make::take(3);
        $all = array_keys($score->part(1)->notes->all());
        $once = Make::bytes(Make::after($score, 'humanize', ['seed' => 7], $all));

        self::assertSame($once, Make::bytes(Make::after($score, 'humanize', ['seed' => 7], array_reverse($all))));
        self::assertNotSame($once, Make::bytes(Make::after($score, 'humanize', ['seed' => 8], $all)));
    }

    public function test_nothing_leaves_the_song_or_the_velocities_and_as_played_takes_the_timing_back(): void
    {
        $score = Make::score([[0, 100, 60, 127], [0, 100, 64, 1], [3, 100, 67, 126]]);
        for ($seed = 0; $seed < 200; $seed++) {
            $after = Make::after($score, 'humanize', ['timing' => 50, 'velocity' => 30, 'bias' => -100, 'length' => 50, 'seed' => $seed]);
            self::assertGreaterThanOrEqual(0, min(Make::starts($after)));
            self::assertLessThanOrEqual(Note::LOUDEST, max(Make::velocities($after)));
            self::assertGreaterThanOrEqual(Note::SOFTEST, min(Make::velocities($after)));
            $back = Make::after($after, 'as-played');
            self::assertSame([Make::starts($score), Make::lengths($score)], [Make::starts($back), Make::lengths($back)]);
        }
    }

    public function test_with_all_limits_at_nought_nothing_changes(): void
    {
        self::assertTrue(Make::edit(Make::take(2), 'humanize', ['timing' => 0, 'velocity' => 0])->change->isEmpty());
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class QuantizeTest extends TestCase
{
    public function test_starts_go_to_the_nearest_line_and_lengths_stay(): void
    {
        $after = Make::after(Make::score([[13, 200, 60], [230, 300, 62], [361, 50, 64], [960, 10, 65]]), 'quantize', ['grid' => '1/16']);

        self::assertSame([0, 240, 480, 960], Make::starts($after));
        self::assertSame([200, 300, 50, 10], Make::lengths($after));
    }

    public function test_strength_goes_a_part_of_the_way(): void
    {
        $score = Make::score([[20, 100, 60], [220, 100, 60], [250, 100, 61]]);

        self::assertSame([10, 230, 245], Make::starts(Make::after($score, 'quantize', ['strength' => 50])));
        self::assertSame([20, 220, 250], Make::starts(Make::after($score, 'quantize', ['strength' => 0])));
        self::assertSame([5, 235, 243], Make::starts(Make::after($score, 'quantize', ['strength' => 75])), 'half a tick is rounded up');
    }

    public function test_the_part_says_what_the_command_leaves_out(): void
    {
        $score = Make::score([[500, 100, 60]], ['grid' => '1/8', 'swing' => 60, 'strength' => 50]);

        // Half the way from 500 to the swung line at 576.
        self::assertSame([538], Make::starts(Make::after($score, 'quantize')));
        self::assertSame([576], Make::starts(Make::after($score, 'quantize', ['strength' => 100])));
        self::assertSame([480], Make::starts(Make::after($score, 'quantize', ['strength' => 100, 'swing' => 50])));
    }

    /** @return iterable<string, array{string, list<int>, list<int>}> */
    public static function targets(): iterable
    {
        yield 'starts' => ['starts', [240, 480], [200, 10]];
        yield 'ends' => ['ends', [230, 490], [250, 230]];
        yield 'both' => ['both', [240, 480], [240, 240]];
    }

    /**
     * @param  list<int>  $starts
     * @param  list<int>  $lengths
     */
    #[DataProvider('targets')]
    public function test_ends_go_to_their_nearest_line_at_least_a_cell_on(string $target, array $starts, array $lengths): void
    {
        // The second note is so short that its end lies nearest to the line of its start.
        $after = Make::after(Make::score([[230, 200, 60], [490, 10, 62]]), 'quantize', ['target' => $target]);

        self::assertSame([$starts, $lengths], [Make::starts($after), Make::lengths($after)]);
    }

    public function test_a_note_outside_the_window_stays(): void
    {
        // Half a cell is 120 ticks; half of that is 60.
        $score = Make::score([[59, 10, 60], [60, 10, 61], [61, 10, 62], [180, 10, 63], [179, 10, 64]]);

        self::assertSame([0, 0, 61, 240, 179], Make::starts(Make::after($score, 'quantize', ['window' => 50])));
        self::assertSame([59, 60, 61, 180, 179], Make::starts(Make::after($score, 'quantize', ['window' => 0])));
    }

    public function test_swing_moves_every_second_line(): void
    {
        $score = Make::score([[10, 9, 60], [300, 9, 61], [470, 9, 62], [800, 9, 63]]);

        self::assertSame([0, 320, 480, 800], Make::starts(Make::after($score, 'quantize', ['grid' => '1/16', 'swing' => 66.67])));
    }

    public function test_lines_are_those_of_the_bar_the_note_is_in(): void
    {
        $time = Timeline::of(960, [], [[0, 3, 8], [1440, 4, 4]]);
        $after = Make::after(Make::score([[1400, 9, 60], [1500, 9, 61], [2500, 9, 62]], [], $time), 'quantize', ['grid' => '1/4']);

        self::assertSame([1440, 1440, 2400], Make::starts($after));
    }

    public function test_it_says_how_many_moved_and_how_far(): void
    {
        // 48 ticks are 25 ms, 24 are 12.5.
        $outcome = Make::edit(Make::score([[0, 9, 60], [288, 9, 61], [504, 9, 62]]), 'quantize');

        self::assertSame('3 notes quantized to 1/16: 2 moved, 19 ms on average, 25 ms at most; 1 moved more than 20 ms.', $outcome->said);
        self::assertSame('1 note quantized to 1/16: all were on the grid already.', Make::edit(Make::score([[480, 9, 60]]), 'quantize')->said);
    }

    public function test_notes_that_come_to_lie_on_one_another_are_kept_and_named(): void
    {
        $score = Make::score([[10, 9, 60], [20, 9, 60], [15, 9, 61]]);
        $outcome = Make::edit($score, 'quantize');

        self::assertCount(3, $outcome->change->applyTo($score)->part(1)->notes->all());
        self::assertSame(['2 notes now double others (same pitch, same start); all are kept.'], $outcome->warnings);
    }

    public function test_quantized_again_nothing_moves(): void
    {
        foreach ([1, 2, 3, 4, 5] as $seed) {
            foreach (['starts', 'both'] as $target) {
                $once = Make::after(Make::take($seed), 'quantize', ['strength' => 100, 'target' => $target]);
                self::assertTrue(Make::edit($once, 'quantize', ['strength' => 100, 'target' => $target])->change->isEmpty(), "take $seed, $target");
            }
        }
    }
}

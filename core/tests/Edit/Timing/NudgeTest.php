<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class NudgeTest extends TestCase
{
    public function test_everything_moves_together_by_a_cell_and_does_not_snap(): void
    {
        $score = Make::score([[1000, 9, 60], [1333, 9, 61]], ['grid' => '1/8T']);

        self::assertSame([1320, 1653], Make::starts(Make::after($score, 'nudge')));
        self::assertSame([360, 693], Make::starts(Make::after($score, 'nudge', ['steps' => -2])));
    }

    public function test_the_parts_own_step_is_used(): void
    {
        $score = Make::score([[1000, 9, 60]], ['nudge' => ['unit' => 'ms', 'amount' => 5]]);
        $outcome = Make::edit($score, 'nudge', ['steps' => 2]);

        self::assertSame([1019], Make::starts($outcome->change->applyTo($score)));
        self::assertSame('1 note moved 10 ms later.', $outcome->said);
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function units(): iterable
    {
        yield 'ms' => [['unit' => 'ms', 'amount' => 3]];
        yield 'samples' => [['unit' => 'samples', 'amount' => 101, 'rate' => 44_100]];
        yield 'part of a tick' => [['unit' => 'ticks', 'amount' => 0.3]];
        yield 'cells of a septuplet' => [['unit' => 'value', 'amount' => '1/16:7']];
        yield 'cells of the grid' => [['unit' => 'grid', 'amount' => 1]];
    }

    /** @param  array<string, mixed>  $by */
    #[DataProvider('units')]
    public function test_many_small_nudges_equal_one_big_one(array $by): void
    {
        $time = Timeline::of(960, [[0, 517_000]]);
        $score = Make::score([[9000, 9, 60], [9100, 9, 61]], ['grid' => '1/16:7'], $time);
        $small = $score;
        for ($i = 0; $i < 25; $i++) {
            $small = Make::after($small, 'nudge', ['steps' => 1, 'by' => $by]);
        }
        $big = Make::after($score, 'nudge', ['steps' => 25, 'by' => $by]);

        self::assertSame(Make::starts($big), Make::starts($small));
        self::assertSame(Make::starts($score), Make::starts(Make::after($small, 'nudge', ['steps' => -25, 'by' => $by])));
    }

    public function test_milliseconds_go_through_the_tempo_where_each_note_stands(): void
    {
        $time = Timeline::of(960, [[0, 500_000], [9600, 1_000_000]]);
        $after = Make::after(Make::score([[960, 9, 60], [10_000, 9, 60]], [], $time), 'nudge', ['by' => ['unit' => 'ms', 'amount' => 10]]);

        self::assertSame([979, 10_010], Make::starts($after));
    }

    public function test_bars_are_as_long_as_they_are_there(): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 3, 4]]);
        $after = Make::after(Make::score([[3840 + 10, 9, 60]], [], $time), 'nudge', ['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1]]);

        self::assertSame([3840 + 10 + 2 * 2880], Make::starts($after));
    }

    public function test_a_note_that_would_start_before_the_song_stops_all(): void
    {
        $score = Make::score([[5000, 9, 61], [100, 9, 60]]);
        try {
            Make::edit($score, 'nudge', ['steps' => -1]);
            self::fail('It moved.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('C4 at 1.1.1.41', $refusal->getMessage());
        }
    }

    public function test_a_bar_is_the_bar_that_the_first_note_is_meant_for(): void
    {
        // 4/4, then 3/4 from 3840 on. The first note is played 30 ticks early for the second bar.
        $score = Make::score([[3810, 9, 60], [4800, 9, 61]], [], Timeline::of(960, [], [[0, 4, 4], [3840, 3, 4]]));
        $later = Make::after($score, 'nudge', ['by' => ['unit' => 'bar', 'amount' => 1]]);

        self::assertSame([3810 + 2880, 4800 + 2880], Make::starts($later));
        self::assertSame([3810, 4800], Make::starts(Make::after($later, 'nudge', ['steps' => -1, 'by' => ['unit' => 'bar', 'amount' => 1]])));
    }

    public function test_the_lanes_under_the_notes_come_along_where_that_is_said(): void
    {
        $notes = [new Note(1, 960, 480, 60, 80), new Note(2, 1920, 480, 62, 80)];
        // A program at the very start, a pedal pressed under the first note and let go after the last.
        $points = [new Point(1, 0, 0xC0, 4), new Point(2, 1000, 0xB0, 64, 127), new Point(3, 2390, 0xB0, 64, 64), new Point(4, 2400, 0xB0, 64, 0)];
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Part', $notes, $points, PartSettings::fresh())]);
        $params = ['by' => ['unit' => 'ms', 'amount' => 10]];
        $ticks = static fn (Score $s): array => array_map(static fn (Point $p): int => $p->tick, array_values($s->part(1)->points->all()));

        self::assertSame([0, 1000, 2390, 2400], $ticks(Make::after($score, 'nudge', $params + ['lanes' => 'stay'])));
        $along = Make::edit($score, 'nudge', $params + ['lanes' => 'along']);
        $after = $along->change->applyTo($score);
        self::assertSame([0, 1019, 2409, 2419], $ticks($after), 'what lets go at their end too');
        self::assertSame([979, 1939], Make::starts($after));
        self::assertSame(Make::bytes($score), Make::bytes($along->change->inverse()->applyTo($after)));
        self::assertSame([0, 1960, 3350, 3360], $ticks(Make::after($score, 'move-to', ['tick' => 1920, 'lanes' => 'along'])));
        self::assertSame([0, 1240, 2630, 2640], $ticks(Make::after($score, 'snap-nudge', ['lanes' => 'along'])));
    }

    public function test_a_drag_is_told_in_bars_and_beats(): void
    {
        $said = static fn (int $ticks): string => Make::edit(Make::score([[0, 480, 60]], [], Timeline::of(960, [], [[0, 3, 4]])), 'nudge', ['by' => ['unit' => 'ticks', 'amount' => $ticks]])->said;
        self::assertSame('1 note moved 0.49 beats later.', $said(470));
        self::assertSame('1 note moved 1 beat later.', $said(960));
        self::assertSame('1 note moved 2 bars 2 beats and 1/8D later.', $said(8400));
    }
}

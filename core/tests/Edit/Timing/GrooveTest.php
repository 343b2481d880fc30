<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Reading\GrooveReading;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GrooveTest extends TestCase
{
    private const LAZY = ['name' => 'Lazy', 'grid' => '1/8', 'time' => [0, 0.25, null, -0.25, 0, 0, 0, 0.5], 'velocity' => [100, 60, null, 40, 100, 60, 90, 50]];

    public function test_starts_go_to_where_the_groove_plays(): void
    {
        // Eighths are 480 ticks: the second is played 120 late, the fourth 120 early, the third not at all.
        $after = Make::after(Make::score([[10, 100, 60], [500, 100, 60], [970, 100, 60], [1400, 100, 60]]), 'groove-quantize', ['groove' => self::LAZY]);

        self::assertSame([0, 600, 960, 1320], Make::starts($after));
        self::assertSame([100, 100, 100, 100], Make::lengths($after));
        self::assertSame([80, 80, 80, 80], Make::velocities($after));
    }

    public function test_time_and_velocity_have_their_own_strengths(): void
    {
        $score = Make::score([[480, 100, 60, 80], [960, 100, 60, 80]]);

        self::assertSame([540, 960], Make::starts(Make::after($score, 'groove-quantize', ['groove' => self::LAZY, 'strength' => 50])));
        $loud = Make::after($score, 'groove-quantize', ['groove' => self::LAZY, 'strength' => 0, 'velocity' => 50]);
        self::assertSame([480, 960], Make::starts($loud));
        self::assertSame([70, 80], Make::velocities($loud), 'where the groove has nothing the velocity stays');
    }

    public function test_a_note_belongs_to_the_nearest_place_of_the_groove_not_of_the_grid(): void
    {
        // 3600 is where the last eighth is played: half a cell late. A note there stays.
        self::assertSame([3600], Make::starts(Make::after(Make::score([[3600, 10, 60]]), 'groove-quantize', ['groove' => self::LAZY])));
    }

    public function test_twice_is_once(): void
    {
        for ($seed = 1; $seed <= 200; $seed++) {
            $once = Make::after(Make::take($seed), 'groove-quantize', ['groove' => self::LAZY, 'velocity' => 100]);
            self::assertSame(Make::bytes($once), Make::bytes(Make::after($once, 'groove-quantize', ['groove' => self::LAZY, 'velocity' => 100])));
        }
    }

    public function test_the_feel_that_is_taken_is_the_feel_that_is_given(): void
    {
        $played = Make::score([[0, 100, 60, 100], [560, 100, 60, 70], [950, 100, 60, 90], [3840, 100, 60, 110], [4340, 100, 60, 60]]);
        $groove = self::taken($played);

        // Eighths: the first 0 off, the second 80 and 20 late, the third 10 early; means by place of two bars.
        self::assertEqualsWithDelta([0, 50 / 480, -10 / 480], array_slice($groove->time, 0, 3), 1e-5);
        self::assertSame([105.0, 65.0, 90.0], array_slice($groove->velocity, 0, 3));
        self::assertSame(8, count($groove->time));
        self::assertNull($groove->time[3]);

        $straight = Make::score([[0, 50, 36, 80], [480, 50, 36, 80], [960, 50, 36, 80]]);
        $after = Make::after($straight, 'groove-quantize', ['groove' => $groove->toArray(), 'velocity' => 100]);
        self::assertSame([0, 530, 950], Make::starts($after));
        self::assertSame([105, 65, 90], Make::velocities($after));
    }

    public function test_written_and_read_again_it_is_the_same(): void
    {
        $groove = self::taken(Make::take(4));

        self::assertEquals($groove, Groove::fromArray(json_decode((string) json_encode($groove->toArray()), true)));
    }

    /** @return iterable<string, array{mixed}> */
    public static function bad(): iterable
    {
        yield 'no object' => ['Lazy'];
        yield 'no grid' => [['grid' => null] + self::LAZY];
        yield 'a grid of bars' => [['grid' => 'bar'] + self::LAZY];
        yield 'no name' => [['name' => ' '] + self::LAZY];
        yield 'too far off' => [['time' => [0.6]] + self::LAZY];
        yield 'of another length' => [['time' => [0.1]] + self::LAZY];
        yield 'too loud' => [['velocity' => [128, 1, 1, 1, 1, 1, 1, 1]] + self::LAZY];
        yield 'with something else' => [self::LAZY + ['colour' => 'blue']];
        yield 'another kind of thing' => [self::LAZY + ['kind' => 'recipe']];
    }

    #[DataProvider('bad')]
    public function test_what_is_no_groove_is_refused(mixed $groove): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/^“groove/');
        Make::edit(Make::take(1), 'groove-quantize', ['groove' => $groove]);
    }

    public function test_from_no_notes_and_by_a_grid_of_bars_nothing_can_be_taken(): void
    {
        foreach ([[[], '1/8'], [array_values(Make::take(1)->part(1)->notes->all()), 'bar']] as [$notes, $grid]) {
            try {
                GrooveReading::of('None', $notes, Grid::parse($grid), Make::take(1)->time);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
    }

    private static function taken(Score $score): Groove
    {
        return GrooveReading::of('Taken', $score->part(1)->inOrder(), Grid::parse('1/8'), $score->time);
    }
}

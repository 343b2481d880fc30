<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Reading;

use Jactonic\Core\Reading\GridReading;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Tests\Support\Takes;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class GridReadingTest extends TestCase
{
    /** @return iterable<string, array{string, float}> */
    public static function grids(): iterable
    {
        foreach (Takes::GRIDS as [$grid, $swing]) {
            yield GridReading::name($grid, $swing) => [$grid, $swing];
        }
    }

    #[DataProvider('grids')]
    public function test_it_names_the_grid_that_was_played(string $grid, float $swing): void
    {
        $wrong = [];
        for ($seed = 1; $seed <= 30; $seed++) {
            $best = Takes::read($grid, $swing, $seed)['best'];
            if (! Takes::isRight($best, $grid, $swing)) {
                $wrong[] = $best;
            }
        }
        self::assertLessThanOrEqual(1, count($wrong), json_encode($wrong) ?: '');
    }

    /** @return iterable<string, array{float, float, float, int}> spread, lateness and strum in ms, and how many of 12 grids × 4 takes are named at least */
    public static function hands(): iterable
    {
        yield 'late' => [12.0, 15.0, 0.0, 47];
        yield 'early' => [12.0, -15.0, 0.0, 46];
        yield 'strummed' => [12.0, 0.0, 20.0, 47];
        yield 'loose' => [20.0, 0.0, 0.0, 43];
        yield 'loose and late' => [20.0, 15.0, 0.0, 43];
        yield 'loose, late and strummed' => [20.0, 15.0, 20.0, 43];
        yield 'loose and early' => [20.0, -15.0, 0.0, 43];
        yield 'loose and strummed' => [20.0, 0.0, 20.0, 43];
    }

    #[DataProvider('hands')]
    public function test_it_names_the_grid_under_looser_and_later_hands(float $spread, float $late, float $strum, int $least): void
    {
        $right = 0;
        foreach (Takes::GRIDS as [$grid, $swing]) {
            for ($seed = 1; $seed <= 4; $seed++) {
                $right += Takes::isRight(Takes::read($grid, $swing, 500 + $seed, $spread, $late, $strum)['best'], $grid, $swing) ? 1 : 0;
            }
        }
        self::assertGreaterThanOrEqual($least, $right);
    }

    public function test_one_pair_that_would_merge_does_not_rule_a_grid_out(): void
    {
        // Sixteen eighths, and one of them struck twice 60 ticks apart.
        $notes = array_map(static fn (int $i): array => [$i * 480, 90, 60], range(0, 15));
        $reading = GridReading::of(Make::score([...$notes, [7 * 480 + 60, 90, 60]])->part(1)->inOrder(), Timeline::of(960));

        self::assertSame('1/8', $reading['best']['grid'] ?? null);
        self::assertStringContainsString('1 would merge', $reading['said']);
    }

    public function test_numbers_by_hand(): void
    {
        // At 120 a millisecond is 1.92 ticks; the notes lie 10, −20 and 30 ticks off eighths.
        $reading = GridReading::of(Make::score([[10, 9, 60], [460, 9, 60], [990, 9, 60]])->part(1)->inOrder(), Timeline::of(960));
        $eighth = self::grid($reading, '1/8');

        self::assertSame(3, $reading['notes']);
        self::assertEqualsWithDelta(60 / 3 / 1.92, $eighth['mean'], 0.01);
        self::assertEqualsWithDelta(30 / 1.92, $eighth['largest'], 0.01);
        self::assertEqualsWithDelta(20 / 3 / 1.92, $eighth['off'], 0.01);
        self::assertSame(1.0, $eighth['share']);
        self::assertSame(0, $eighth['merges']);
        // On halves the first two come to lie on the first line, the third on the second.
        self::assertSame(1, self::grid($reading, '1/2')['merges']);
        self::assertSame(['grid' => '1/8', 'swing' => 50.0], $reading['best']);
    }

    public function test_the_played_places_are_read_also_after_a_quantize(): void
    {
        $take = Takes::score('1/8', 62, 5, 120);
        $quantized = Make::after($take, 'quantize', ['grid' => '1/4']);

        self::assertSame(GridReading::of($take->part(1)->inOrder(), $take->time)['best'], GridReading::of($quantized->part(1)->inOrder(), $take->time)['best']);
    }

    public function test_where_in_the_beat_the_notes_fall(): void
    {
        $beat = GridReading::of(Make::score([[0, 9, 60], [5, 9, 61], [480, 9, 60], [1435, 9, 60], [955, 9, 60]])->part(1)->inOrder(), Timeline::of(960))['beat'];

        self::assertSame([0 => 3, 24 => 2], array_filter($beat));
    }

    public function test_notes_that_lie_on_one_another_as_played_do_not_force_the_finest_grid(): void
    {
        $reading = GridReading::of(Make::score([[0, 9, 60], [0, 9, 60], [480, 9, 60], [960, 9, 60], [1440, 9, 60], [1445, 9, 60]])->part(1)->inOrder(), Timeline::of(960));

        self::assertSame('1/8', $reading['best']['grid'] ?? null);
        self::assertStringContainsString('2 would merge', $reading['said']);
    }

    public function test_from_no_notes_it_reads_nothing(): void
    {
        $reading = GridReading::of([], Timeline::of(960));

        self::assertNull($reading['best']);
        self::assertSame('There are no notes to read a grid from.', $reading['said']);
    }

    public function test_someone_who_plays_late_is_told_so(): void
    {
        $notes = array_map(static fn (int $i): array => [38 + 480 * $i, 9, 60 + $i % 3], range(0, 15));

        self::assertStringContainsString('20 ms late', GridReading::of(Make::score($notes)->part(1)->inOrder(), Timeline::of(960))['said']);
    }

    /**
     * @param  array{grids: list<array{grid: string, swing: float, mean: float, largest: float, off: float, share: float, merges: int, weight: float}>}  $reading
     * @return array{grid: string, swing: float, mean: float, largest: float, off: float, share: float, merges: int, weight: float}
     */
    private static function grid(array $reading, string $name): array
    {
        foreach ($reading['grids'] as $grid) {
            if ($grid['grid'] === $name && $grid['swing'] === 50.0) {
                return $grid;
            }
        }
        self::fail("$name was not looked at.");
    }
}

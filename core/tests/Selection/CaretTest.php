<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\Caret;
use Jactonic\Core\Time\Step;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CaretTest extends TestCase
{
    /** @return iterable<string, array{int, int, array<string, mixed>|null, array<string, mixed>, int}> from, steps, step, settings, to */
    public static function ways(): iterable
    {
        yield 'to the next line' => [0, 1, null, ['grid' => '1/8'], 480];
        yield 'from between two lines to the one before' => [500, -1, null, ['grid' => '1/8'], 480];
        yield 'over swung lines' => [0, 3, null, ['grid' => '1/8', 'swing' => 66.67], 960 + 640];
        yield 'through the bar line of 7/8, where lines begin anew' => [3840 + 2880, 1, null, ['grid' => '1/4'], 3840 + 3360];
        yield 'by whole bars, keeping its place in the bar' => [100, 1, ['unit' => 'bar', 'amount' => 1], [], 3940];
        yield 'by milliseconds: 10 ms at 120 are 19.2 ticks' => [0, 1, ['unit' => 'ms', 'amount' => 10], [], 19];
        yield 'by the part’s own step' => [100, 2, null, ['nudge' => ['unit' => 'ticks', 'amount' => 7]], 114];
        yield 'by several cells' => [0, 1, ['unit' => 'grid', 'amount' => 4], ['grid' => '1/16'], 960];
        yield 'by half a cell it does not snap' => [10, 1, ['unit' => 'grid', 'amount' => 0.5], ['grid' => '1/8'], 250];
        yield 'not before the song' => [100, -3, ['unit' => 'value', 'amount' => '1/4'], [], 0];
        yield 'nor line by line' => [100, -3, null, [], 0];
    }

    /**
     * @param  array<string, mixed>|null  $by
     * @param  array<string, mixed>  $settings
     */
    #[DataProvider('ways')]
    public function test_the_caret_goes(int $from, int $steps, ?array $by, array $settings, int $to): void
    {
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 7, 8]]);

        self::assertSame($to, Caret::moved($from, $steps, $by === null ? null : Step::parse($by), PartSettings::fromArray($settings), $time));
    }

    public function test_several_steps_at_once_come_to_where_they_come_one_by_one(): void
    {
        $time = Timeline::of(960, [[0, 500_000], [3840, 437_000]], [[0, 4, 4], [3840, 7, 8]]);
        foreach ([['unit' => 'ms', 'amount' => 5], ['unit' => 'samples', 'amount' => 333], ['unit' => 'value', 'amount' => '1/16'], ['unit' => 'grid', 'amount' => 0.7], ['unit' => 'bar', 'amount' => 1]] as $by) {
            foreach ([[0, 1], [3700, 1], [9000, -1], [200, -1]] as [$from, $sign]) {
                $one = $from;
                for ($count = 1; $count <= 40; $count++) {
                    $one = Caret::moved($one, $sign, Step::parse($by), PartSettings::fromArray([]), $time);
                    self::assertSame($one, Caret::moved($from, $sign * $count, Step::parse($by), PartSettings::fromArray([]), $time), json_encode([$by, $from, $sign, $count]) ?: '');
                }
            }
        }
    }
}

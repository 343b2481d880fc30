<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Tests\Support\Smf;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Quantize where the ticks are few or many, and where the meter changes under a swung grid. */
final class QuantizeMetersTest extends TestCase
{
    /** @return iterable<int, array{int}> */
    public static function divisions(): iterable
    {
        foreach ([96, 120, 192, 256, 384, 480, 960, 1024] as $division) {
            yield $division => [$division];
        }
    }

    #[DataProvider('divisions')]
    public function test_triplets_of_any_file_fall_on_their_thirds_and_never_drift(int $division): void
    {
        // 600 eighth triplets, 50 bars, each written as near as the file's ticks let it, then 2 or 3 ticks off.
        $body = '';
        $last = 0;
        for ($k = 0; $k < 600; $k++) {
            $start = max($last, (int) round($k * $division / 3) + [0, 2, -2, 3][$k % 4]);
            $body .= Smf::at($start - $last, '90 3C 40').Smf::at(5, '80 3C 40');
            $last = $start + 5;
        }
        [$song] = Importer::import(Reader::read(Smf::file([$body.Smf::END], 1, $division)), 'Triplets');
        $after = Make::after($song->score, 'quantize', ['grid' => '1/8T', 'strength' => 100, 'swing' => 50]);
        $starts = array_map(static fn (Note $n): int => $n->start, array_values($after->part(1)->notes->all()));

        self::assertSame(0, $song->score->time->ppq % 3, 'a third of a quarter is a whole number of ticks');
        self::assertSame(array_map(static fn (int $k): int => intdiv($k * $song->score->time->ppq, 3), range(0, 599)), $starts);
    }

    public function test_swung_eighths_through_four_four_seven_eight_and_five_four(): void
    {
        // One bar of 4/4 (0–3840), one of 7/8 (3840–7200), one of 5/4 (7200–12000), swing 60: the second of a pair of
        // eighths stands 576 ticks after the first. The seventh eighth of 7/8 has no partner and stays straight.
        $time = Timeline::of(960, [], [[0, 4, 4], [3840, 7, 8], [7200, 5, 4]]);
        $played = [
            [10, 0], [560, 576], [3400, 3456], [3830, 3840],                        // 4/4, and the last one played early for the bar line
            [4430, 4416], [5300, 5376], [6800, 6720], [7150, 7200],              // 7/8: 3840+576, 3840+960+576, 3840+2880, the next bar line
            [7790, 7776], [11600, 11616], [11990, 12000],                            // 5/4: 7200+576, 7200+3840+576, its end
        ];
        $score = Make::score(array_map(static fn (array $p, int $i): array => [$p[0], 100, 40 + $i], $played, array_keys($played)), ['grid' => '1/8', 'swing' => 60], $time);

        self::assertSame(array_column($played, 1), Make::starts(Make::after($score, 'quantize')));
    }

    public function test_over_thousands_of_random_parts_what_was_quantized_stands_on_the_lines_that_are_drawn(): void
    {
        $time = Timeline::of(960, [[0, 500_000], [5000, 410_000]], [[0, 4, 4], [3840, 7, 8], [7200, 5, 4]]);
        for ($seed = 1; $seed <= 2000; $seed++) {
            mt_srand($seed);
            $grid = ['1/4', '1/8', '1/8T', '1/16', '1/16:5', '1/8D', '1/32', 'bar'][mt_rand(0, 7)];
            $swing = mt_rand(50, 75);
            $notes = array_map(static fn (): array => [mt_rand(0, 16_000), mt_rand(1, 900), mt_rand(40, 80)], range(1, 8));
            $score = Make::score($notes, ['grid' => $grid, 'swing' => $swing], $time);
            $table = $time->lines(($score->part(1)->settings() ?? self::fail())->grid, $swing)->table();
            $drawn = array_flip(Make::drawn($table, 24_000));
            foreach (Make::starts(Make::after($score, 'quantize')) as $start) {
                self::assertArrayHasKey($start, $drawn, "$grid at $swing %, take $seed");
            }
        }
    }
}

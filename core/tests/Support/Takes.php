<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Support;

use Jactonic\Core\Reading\GridReading;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Timeline;

/** Takes of a simulated person: eight bars of 4/4, each cell of a grid played with probability 0.6 and a spread of 12 ms. */
final class Takes
{
    /** Grids and swings that are to be told apart. */
    public const GRIDS = [
        ['1/4', 50.0], ['1/8', 50.0], ['1/16', 50.0], ['1/8T', 50.0],
        ['1/8', 56.0], ['1/8', 60.0], ['1/8', 64.0], ['1/8', 67.0], ['1/16', 56.0], ['1/16', 60.0], ['1/16', 64.0], ['1/16', 67.0],
    ];

    private const SPREAD = 12.0;

    /**
     * @param  float  $spread  ms
     * @param  float  $late  ms by which all is late, below 0 early
     * @param  float  $strum  ms from the first to the last of three notes of a chord; 0 for single notes
     */
    public static function score(string $grid, float $swing, int $seed, ?int $bpm = null, float $spread = self::SPREAD, float $late = 0.0, float $strum = 0.0): Score
    {
        mt_srand($seed);
        $time = Timeline::of(960, [[0, intdiv(60_000_000, $bpm ?? mt_rand(80, 160))]]);
        $lines = $time->lines(Grid::parse($grid), $swing);
        $notes = [];
        for ($line = 0; $line < 8 * 3840; $line = $lines->after($line)) {
            if (mt_rand() / mt_getrandmax() < 0.6) {
                $off = $late + $spread * sqrt(-2 * log((mt_rand() + 1) / (mt_getrandmax() + 2))) * cos(2 * M_PI * mt_rand() / mt_getrandmax());
                foreach ($strum > 0 ? [0, 1, 2] : [0] as $k) {
                    $notes[] = new Note(count($notes) + 1, max(0, Note::whole($time->tempos->shift($line, $off + $strum * $k / 2))), 100, 60 + 4 * $k, 80);
                }
            }
        }

        return new Score($time, [1 => Part::of(1, 'Take', $notes, [], PartSettings::fresh())]);
    }

    /** @return array{best: array{grid: string, swing: float}|null, said: string} */
    public static function read(string $grid, float $swing, int $seed, float $spread = self::SPREAD, float $late = 0.0, float $strum = 0.0): array
    {
        $score = self::score($grid, $swing, $seed, null, $spread, $late, $strum);

        return GridReading::of($score->part(1)->inOrder(), $score->time);
    }

    /**
     * The grid by its name and the swing within 3 points; a swing of 64 and over may be called the triplet grid.
     *
     * @param  array{grid: string, swing: float}|null  $best
     */
    public static function isRight(?array $best, string $grid, float $swing): bool
    {
        return $best !== null && (($best['grid'] === $grid && abs($best['swing'] - $swing) <= 3) || ($swing >= 64 && $best['grid'] === $grid.'T'));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Harmony;

use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Harmony\Voicing;
use PHPUnit\Framework\TestCase;

/** Voices move least, each to one of its own. */
final class VoicingTest extends TestCase
{
    /**
     * The cheapest assignment by trying all.
     *
     * @param  list<int>  $few
     * @param  list<int>  $many
     */
    private static function cheapest(array $few, array $many): int
    {
        if ($few === []) {
            return 0;
        }
        $first = array_shift($few);
        $best = PHP_INT_MAX;
        foreach ($many as $i => $pitch) {
            $others = $many;
            unset($others[$i]);
            $best = min($best, abs($first - $pitch) + self::cheapest($few, array_values($others)));
        }

        return $best;
    }

    public function test_the_way_is_the_cheapest_of_all_assignments(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 300; $i++) {
            $few = array_map(static fn (): int => mt_rand(40, 80), range(1, mt_rand(1, 4)));
            $many = array_map(static fn (): int => mt_rand(40, 80), range(1, mt_rand(count($few), 5)));
            self::assertSame(self::cheapest($few, $many), Voicing::way($few, $many)[0]);
            self::assertSame(Voicing::way($few, $many), Voicing::way($many, $few));
        }
    }

    public function test_voices_that_nothing_goes_to_count_after_those_that_move(): void
    {
        self::assertSame([0, 0], Voicing::way([], [60]));
        self::assertSame([1, 5], Voicing::way([60], [61, 65]));
        self::assertSame([0, 3], Voicing::way([60, 64], [60, 64, 67]));
    }

    /** Not each to its nearest: both upper voices of the first are nearest to one tone of the second. */
    public function test_two_voices_do_not_go_to_one(): void
    {
        self::assertSame([13, 0], Voicing::way([60, 64, 65], [64, 66, 72]));
    }

    public function test_no_inversion_in_any_octave_moves_less(): void
    {
        $names = ['C', 'Dm7', 'G13', 'Cmaj9', 'F#m7b5', 'Bb', 'Asus4', 'E7', 'Ab6', 'Gdim'];
        foreach ($names as $from) {
            $before = Chord::parse($from)->pitches(48);
            foreach ($names as $to) {
                $chord = Chord::parse($to);
                $least = PHP_INT_MAX;
                for ($inversion = 0; $inversion < count($chord->intervals); $inversion++) {
                    foreach ([-24, -12, 0, 12, 24] as $octave) {
                        $pitches = array_map(static fn (int $p): int => $p + $octave, $chord->pitches(48, $inversion));
                        $least = min($pitches) < 48 ? $least : min($least, Voicing::way($before, $pitches)[0]);
                    }
                }
                self::assertSame($least, Voicing::way($before, Voicing::near($chord, $before, 48))[0], "$from to $to");
            }
        }
    }
}

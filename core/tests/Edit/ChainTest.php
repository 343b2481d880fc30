<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** What holds for edits one after another, over thousands of takes. */
final class ChainTest extends TestCase
{
    private const GRIDS = ['1/4', '1/8', '1/8T', '1/16', '1/16D', '1/16:5', '1/32', 'bar'];

    public function test_as_played_after_any_chain_of_timing_and_length_edits_is_the_take(): void
    {
        for ($seed = 1; $seed <= 1000; $seed++) {
            $take = self::played($seed);
            $score = $take;
            for ($i = mt_rand(1, 6); $i > 0; $i--) {
                [$edit, $params] = self::oneOf();
                // Some edits work on a few notes only.
                $score = Make::after($score, $edit, $params, mt_rand(0, 1) === 0 ? null : [1, 4, 9, 15]);
                self::assertGreaterThanOrEqual(0, min(Make::starts($score)));
            }
            $back = Make::after($score, 'as-played');
            self::assertSame([Make::starts($take), Make::lengths($take)], [Make::starts($back), Make::lengths($back)], "take $seed");
        }
    }

    public function test_quantized_twice_is_quantized_once_and_with_no_strength_not_at_all(): void
    {
        for ($seed = 1; $seed <= 1000; $seed++) {
            $take = self::played($seed);
            $params = ['grid' => self::GRIDS[mt_rand(0, 7)], 'swing' => mt_rand(500, 750) / 10, 'target' => ['starts', 'ends', 'both'][mt_rand(0, 2)]];
            $once = Make::after($take, 'quantize', $params + ['strength' => 100]);
            self::assertTrue(Make::edit($once, 'quantize', $params + ['strength' => 100])->change->isEmpty(), json_encode($params)." on take $seed");
            self::assertTrue(Make::edit($take, 'quantize', $params + ['strength' => 0])->change->isEmpty());
        }
    }

    public function test_n_fine_nudges_are_one_big_one(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            $take = self::played($seed);
            $n = mt_rand(2, 40);
            $by = ['unit' => ['ms', 'samples', 'ticks'][mt_rand(0, 2)], 'amount' => mt_rand(1, 900) / 100];
            $small = $take;
            for ($i = 0; $i < $n; $i++) {
                $small = Make::after($small, 'nudge', ['by' => $by]);
            }
            // Across a change of tempo the same milliseconds are other ticks: there it may be a tick.
            $big = Make::after($take, 'nudge', ['steps' => $n, 'by' => $by]);
            self::assertSame(Make::starts($big), Make::starts($small), "take $seed");
        }
    }

    /** @return array{string, array<string, mixed>} */
    private static function oneOf(): array
    {
        $grid = self::GRIDS[mt_rand(0, 7)];

        return [
            ['quantize', ['grid' => $grid, 'strength' => mt_rand(0, 100), 'swing' => mt_rand(50, 75), 'target' => ['starts', 'ends', 'both'][mt_rand(0, 2)], 'window' => mt_rand(0, 100)]],
            ['humanize', ['timing' => mt_rand(0, 60), 'length' => mt_rand(0, 50), 'seed' => mt_rand(0, 999)]],
            ['groove-quantize', ['groove' => ['name' => 'x', 'grid' => '1/16', 'time' => [0, 0.2, -0.3], 'velocity' => [1, null, 99]]]],
            ['resize', ['steps' => mt_rand(-3, 3), 'by' => ['unit' => 'ms', 'amount' => 7]]],
            ['set-length', ['value' => mt_rand(1, 900)]],
            ['scale-length', ['percent' => mt_rand(5, 300)]],
            ['legato', ['tail' => ['bar', 'part', 'keep'][mt_rand(0, 2)], 'gap' => mt_rand(0, 50)]],
            ['clear-overlaps', ['scope' => ['any', 'pitch'][mt_rand(0, 1)]]],
            ['end-at', ['tick' => mt_rand(1, 20_000)]],
        ][mt_rand(0, 8)];
    }

    /** A take just played: nothing drifts yet. */
    private static function played(int $seed): Score
    {
        mt_srand($seed);
        $score = Make::take($seed, 20);
        $part = $score->part(1);

        return $score->withPart(Part::of(1, 'Take', array_values(array_map(static fn (Note $n): Note => new Note($n->id, $n->start, $n->length, $n->pitch, $n->velocity), $part->notes->all())), [], $part->settings()));
    }
}

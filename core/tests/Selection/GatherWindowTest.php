<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\GatherWindow;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The starts of a take say how far apart those of one chord lie. At 120 a minute a tick is 25/48 of a millisecond. */
final class GatherWindowTest extends TestCase
{
    /** @return iterable<string, array{list<int>, float, float}> starts in ticks, and between which milliseconds the window lies */
    public static function takes(): iterable
    {
        yield 'nothing' => [[], 30, 30];
        yield 'one note' => [[960], 30, 30];
        yield 'a line of eighths, no chord' => [[0, 480, 960, 1440], 30, 30];
        yield 'a line of fast sixteenths, a rest in it' => [[0, 190, 385, 570, 1520, 1710], 30, 30];
        yield 'chords on the grid' => [[0, 0, 0, 960, 960, 1920], 90, 120];
        yield 'slow strums' => [[0, 60, 120, 1920, 1985, 2030], 80, 120];
        yield 'fast strums close to one another' => [[0, 5, 10, 100, 104, 111, 200, 206], 15, 46];
        yield 'strums a bar apart of 80 ms from voice to voice stay below 120' => [[0, 150, 1920, 2070], 80, 120];
        yield 'wider than that is no chord' => [[0, 240, 1920, 2160], 30, 30];
    }

    /** @param  list<int>  $starts */
    #[DataProvider('takes')]
    public function test_the_window_lies_in_the_widest_gap(array $starts, float $from, float $to): void
    {
        $window = GatherWindow::of($starts, Timeline::of(960));
        self::assertGreaterThanOrEqual($from, $window);
        self::assertLessThanOrEqual($to, $window);
        self::assertSame($window, GatherWindow::of(array_reverse($starts), Timeline::of(960, [[0, 500_000], [1_000_000, 300_000]])), 'in any order, by any tempo map');
    }

    public function test_at_half_the_tempo_the_same_ticks_are_twice_as_far_apart(): void
    {
        $starts = [0, 60, 1920, 1980];
        self::assertEqualsWithDelta(31.25, GatherWindow::of([0, 60, 80, 140], Timeline::of(960)), 31.25);
        self::assertSame(120.0, GatherWindow::of($starts, Timeline::of(960)));
        self::assertSame(30.0, GatherWindow::of($starts, Timeline::of(960, [[0, 4_000_000]])));
    }

    public function test_a_line_of_short_notes_and_a_repeated_pitch_make_no_chord(): void
    {
        $score = Make::score([[0, 1000, 60], [100, 1000, 64], [1920, 1000, 60], [2020, 1000, 64], [3840, 60, 60], [3940, 60, 64], [5760, 1000, 60], [5860, 1000, 60]]);
        $chords = Chords::of($score->part(1)->inOrder(), $score->time, $score->part(1));
        self::assertSame([[1, 2], [3, 4], [5], [6], [7], [8]], array_map(static fn (array $c): array => array_map(static fn (Note $n): int => $n->id, $c), $chords));
        // A number of milliseconds means just that.
        self::assertCount(4, Chords::of($score->part(1)->inOrder(), $score->time, 60.0));
    }

    public function test_the_word_auto_is_to_leave_it_out(): void
    {
        $score = self::pad(1);
        $legato = static fn (array $params): string => Make::bytes(Make::after($score, 'legato', $params));
        self::assertSame($legato([]), $legato(['gather' => 'auto']));
        self::assertNotSame($legato([]), $legato(['gather' => 5]));
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('a number from 0 to 1000 ms, or auto');
        $legato(['gather' => 'wide']);
    }

    /** A pad of a loose player: five changes, each struck three times, strummed by up to 80 ms, each voice struck somewhere. */
    private static function pad(int $seed): Score
    {
        mt_srand($seed);
        $notes = [];
        foreach ([[48, 55, 60, 64], [45, 52, 57, 60], [41, 48, 57, 60], [43, 50, 55, 59], [48, 52, 55, 60]] as $change => $pitches) {
            for ($struck = 0; $struck < 3; $struck++) {
                $at = 3840 * $change + 1280 * $struck + mt_rand(0, 60);
                foreach ($pitches as $pitch) {
                    $start = $at + mt_rand(0, 153);
                    $notes[] = [$start, 1200 - ($start - $at), $pitch];
                }
            }
        }

        return Make::score($notes);
    }

    public function test_thirty_pads_with_wide_strums_are_fifteen_chords_and_five_changes_each(): void
    {
        for ($seed = 1; $seed <= 30; $seed++) {
            $score = self::pad($seed);
            self::assertCount(15, Chords::of($score->part(1)->inOrder(), $score->time, $score->part(1)), "take $seed");
            $batch = new Batch($score);
            $batch->run(['edit' => 'keep-first-chords', 'params' => ['of' => 'change', 'rest' => 'deleted'], 'on' => ['part' => 1, 'pick' => ['all' => true]]]);
            $batch->run(['edit' => 'legato', 'on' => ['part' => 1, 'pick' => ['all' => true]]]);
            $part = $batch->score->part(1);
            self::assertCount(20, $part->notes->ids(), "take $seed");
            self::assertCount(5, Chords::of($part->inOrder(), $score->time, $part), "take $seed");
            self::assertGreaterThan(3000, min($part->notes->integers('length')), "take $seed has no splinters");
        }
    }
}

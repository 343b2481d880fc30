<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Edit\Structure\InsertRecording;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** At 120 a minute a quarter of 960 ticks lasts half a second: 1920 ticks a second. */
final class InsertRecordingTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function note(float $on, float $off, int $pitch = 60, int $velocity = 80): array
    {
        return ['on' => $on, 'off' => $off, 'pitch' => $pitch, 'velocity' => $velocity];
    }

    /**
     * Start, length and drift of the start of what was recorded into an empty part.
     *
     * @param  list<array<string, mixed>>  $events
     * @param  array<string, mixed>  $params
     * @param  array<string, mixed>  $settings
     * @return list<array{int, int, int}>
     */
    private static function recorded(array $events, array $params = [], array $settings = [], ?Timeline $time = null): array
    {
        $after = Make::after(Make::score([], $settings, $time), 'insert-recording', ['events' => $events] + $params, []);

        return array_map(static fn (Note $n): array => [$n->start, $n->length, $n->driftStart], array_values($after->part(1)->notes->all()));
    }

    public function test_seconds_become_ticks_from_the_start_of_the_take_less_the_latency(): void
    {
        self::assertSame([[960, 960, 0], [2881, 191, 0]], self::recorded([self::note(0.5, 1.0), self::note(1.5006, 1.6)]));
        self::assertSame([[4800, 960, 0]], self::recorded([self::note(0.5, 1.0)], ['from' => 3840]));
        self::assertSame([[4781, 960, 0]], self::recorded([self::note(0.5, 1.0)], ['from' => 3840, 'latency' => 10]));
        self::assertSame([[4819, 960, 0]], self::recorded([self::note(0.5, 1.0)], ['from' => 3840, 'latency' => -10]));
    }

    public function test_a_tempo_change_inside_the_take_is_obeyed(): void
    {
        // From tick 1920 on a quarter lasts a whole second.
        $time = Timeline::of(960, [[0, 500_000], [1920, 1_000_000]]);

        self::assertSame([[960, 1440, 0], [2880, 480, 0]], self::recorded([self::note(0.5, 1.5), self::note(2.0, 2.5)], [], [], $time));
    }

    public function test_what_came_shortly_before_the_take_was_meant_for_it_and_what_came_long_before_was_not(): void
    {
        $outcome = Make::edit(Make::score([]), 'insert-recording', ['events' => [self::note(-1.0, -0.8), self::note(-0.02, 0.2, 62)], 'from' => 3840], []);

        self::assertSame([3802], Make::starts($outcome->change->applyTo(Make::score([]))));
        self::assertSame(['1 was played before the take and is left out.'], $outcome->warnings);
        self::assertSame('1 note recorded.', $outcome->said);
        self::assertSame([[0, 384, 0]], self::recorded([self::note(-0.02, 0.2)]), 'the song has nothing before its start');
    }

    public function test_a_loop_goes_round_and_cuts_what_is_held_over_its_end(): void
    {
        // One bar from 3840 to 7680: two seconds a round; the take begins in its middle.
        $loop = ['from' => 5760, 'loopFrom' => 3840, 'loopTo' => 7680];

        self::assertSame([[6720, 960, 0], [3840, 960, 0], [7296, 384, 0]], self::recorded([self::note(0.5, 1.0), self::note(1.0, 1.5), self::note(2.8, 3.05)], $loop));
        self::assertSame([[4800, 2880, 0]], self::recorded([self::note(1.5, 99.0)], $loop), 'one held through several rounds ends with the first');
        self::assertSame([[3840, 960, 0]], self::recorded([self::note(1 + 16 * 2, 1.5 + 16 * 2)], $loop), 'in the seventeenth round as in the first');
    }

    public function test_one_struck_just_before_the_loop_ends_is_meant_for_the_next_round(): void
    {
        $loop = ['from' => 3840, 'loopFrom' => 3840, 'loopTo' => 7680];

        self::assertSame([[3840, 922, -38]], self::recorded([self::note(1.98, 2.48)], $loop));
        self::assertSame([[7642, 38, 0]], self::recorded([self::note(1.98, 2.01)], $loop), 'it lasted longer before the end');
        self::assertSame([[0, 922, 0]], self::recorded([self::note(1.98, 2.48)], ['from' => 0, 'loopFrom' => 0, 'loopTo' => 3840]));
    }

    public function test_quantized_as_it_comes_in_it_still_knows_how_it_was_played(): void
    {
        $score = Make::score([], ['grid' => '1/8', 'strength' => 100]);
        $events = [self::note(0.512, 0.9), self::note(0.73, 1.1)];
        $after = Make::after($score, 'insert-recording', ['events' => $events, 'timing' => 'quantized'], []);
        $raw = Make::after($score, 'insert-recording', ['events' => $events], []);

        self::assertSame([960, 1440], Make::starts($after));
        self::assertSame(Make::starts($raw), Make::starts(Make::after($after, 'as-played')));
        self::assertSame(Make::lengths($raw), Make::lengths(Make::after($after, 'as-played')));
        self::assertSame([[972, 745, 11]], self::recorded([self::note(0.512, 0.9)], ['timing' => 'quantized'], ['grid' => '1/8', 'strength' => 50]));
        self::assertSame([0, 173], array_slice(self::recorded([self::note(1.9, 1.99)], ['timing' => 'quantized', 'loopFrom' => 0, 'loopTo' => 3840], ['grid' => '1/4'])[0], 0, 2), 'the nearest line is where the loop begins again');
    }

    public function test_a_punch_takes_only_what_begins_inside_it(): void
    {
        $punch = ['punchFrom' => 1920, 'punchTo' => 3840];
        $outcome = Make::edit(Make::score([]), 'insert-recording', ['events' => [self::note(0.5, 0.7), self::note(0.98, 1.2), self::note(1.5, 2.5), self::note(2.1, 2.2), self::note(2.5, 2.6)]] + $punch, []);

        self::assertSame([1882, 2880], Make::starts($outcome->change->applyTo(Make::score([]))), 'a little early is meant for it');
        self::assertSame([422, 960], Make::lengths($outcome->change->applyTo(Make::score([]))));
        self::assertSame(['3 notes were played outside the span and are left out.'], $outcome->warnings);
    }

    public function test_in_replace_what_was_played_over_gives_way(): void
    {
        $score = Make::score([[0, 100, 50], [960, 100, 51], [1919, 100, 52], [1920, 100, 53]]);
        $params = ['events' => [self::note(0.25, 0.5)], 'mode' => 'replace', 'since' => 0.25, 'until' => 1.0];
        $outcome = Make::edit($score, 'insert-recording', $params, []);
        $after = $outcome->change->applyTo($score);

        self::assertSame([50, 53, 60], Make::pitches($after));
        self::assertSame('1 note recorded; 2 notes replaced.', $outcome->said);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)));
        self::assertSame([50, 51, 53], Make::pitches(Make::after($score, 'insert-recording', ['events' => [], 'punchFrom' => 1900, 'punchTo' => 1920, 'since' => 0, 'until' => 9] + $params, [])), 'within a punch');
        self::assertSame([60], Make::pitches(Make::after($score, 'insert-recording', ['loopFrom' => 0, 'loopTo' => 3840, 'since' => 0, 'until' => 2.0] + $params, [])), 'a whole round');
    }

    public function test_pedal_and_bend_are_points_and_replace_their_own_kind(): void
    {
        $pedal = ['at' => 0.5, 'kind' => 'controller', 'data' => [64, 127]];
        $score = Make::after(Make::score([[0, 10, 60]]), 'insert-recording', ['events' => [$pedal, ['at' => 0.6, 'kind' => 'bend', 'data' => [0, 70]]]], []);

        self::assertSame([[960, 0xB0, 64, 127], [1152, 0xE0, 0, 70]], self::points($score));
        $again = Make::after($score, 'insert-recording', ['events' => [['at' => 0.75, 'kind' => 'controller', 'data' => [64, 0]]], 'mode' => 'replace', 'since' => 0.4, 'until' => 1.0], []);
        self::assertSame([[1152, 0xE0, 0, 70], [1440, 0xB0, 64, 0]], self::points($again));
    }

    public function test_pieces_of_one_round_are_one_and_of_two_are_not(): void
    {
        $first = ['take' => 7, 'round' => 2, 'loopTo' => 3840, 'events' => [self::note(0, 1)]];
        $next = ['events' => [self::note(1, 2)]] + $first;

        self::assertSame([self::note(0, 1), self::note(1, 2)], InsertRecording::joined($first, $next)['events'] ?? []);
        self::assertNull(InsertRecording::joined($first, ['round' => 3] + $next));
        self::assertNull(InsertRecording::joined($first, ['take' => 8] + $next));
        self::assertNull(InsertRecording::joined(['take' => 0] + $first, ['take' => 0] + $next), 'a take without a number stands alone');
    }

    public function test_a_stretch_that_is_none_is_refused(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessageMatches('/loopTo.*allowed: a tick after loopFrom/');
        Make::edit(Make::score([]), 'insert-recording', ['events' => [], 'loopFrom' => 960, 'loopTo' => 960], []);
    }

    /** @return list<array{int, int, int, int}> */
    private static function points(Score $score): array
    {
        $points = array_map(static fn ($p): array => [$p->tick, $p->status, $p->data1, $p->data2], array_values($score->part(1)->points->all()));
        sort($points);

        return $points;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Points of lanes: shaped by the edits of velocity, drawn, copied, thinned; the pedal written from chords. */
final class LanesTest extends TestCase
{
    /**
     * @param  list<array{int, int}>  $points  tick and value
     * @param  list<array{int, int, int}>  $notes
     */
    private static function score(string $lane, array $points, array $notes = [[0, 900, 60], [5, 900, 64], [1920, 900, 62]]): Score
    {
        $made = array_map(static fn (array $p, int $i): Point => Lane::parse($lane)->point($i + 1, $p[0], 0, $p[1]), $points, array_keys($points));
        $played = array_map(static fn (array $n, int $i): Note => new Note($i + 1, $n[0], $n[1], $n[2], 80), $notes, array_keys($notes));

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Strings', $played, $made, PartSettings::fromArray(['grid' => '1/4', 'strength' => 100]))], [1 => new Track(1, 'Strings', 0)], 2, 2);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params, mixed $on): Outcome
    {
        return Batch::once(['edit' => $edit, 'params' => $params, 'on' => $on], $score);
    }

    /** @return list<array{int, int}> tick and value of a lane, in order of time */
    private static function lane(Score $score, string $lane): array
    {
        $points = array_filter($score->part(1)->points->all(), Lane::parse($lane)->holds(...));
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);

        return array_map(static fn (Point $p): array => [$p->tick, Lane::of($p)->value($p)], array_values($points));
    }

    /** @return iterable<string, array{string, array<string, mixed>, list<int>, string}> */
    public static function shapes(): iterable
    {
        yield 'higher' => ['velocity-add', ['amount' => 10], [30, 110, 74], '3 points higher by 10.'];
        yield 'set' => ['velocity-set', ['value' => 70], [70, 70, 70], '3 points at 70.'];
        yield 'half' => ['velocity-scale', ['percent' => 50], [10, 50, 32], '3 points at 50 % of their value.'];
        yield 'together' => ['velocity-compress', ['value' => 60, 'percent' => 50], [40, 80, 62], '3 points compressed toward 60, 50 % of the spread remains.'];
        yield 'level' => ['velocity-even', [], [61, 61, 61], '3 points at 61.'];
        yield 'ramp' => ['velocity-ramp', ['from' => 0, 'to' => 100, 'mode' => 'replace'], [0, 50, 100], '3 points rising from 0 to 100.'];
        yield 'clipped' => ['velocity-add', ['amount' => 60], [80, 127, 124], '3 points higher by 60.'];
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  list<int>  $values
     */
    #[DataProvider('shapes')]
    public function test_what_shapes_velocities_shapes_points(string $edit, array $params, array $values, string $said): void
    {
        $score = self::score('cc:11', [[0, 20], [960, 100], [1920, 64]]);
        $outcome = self::done($score, $edit, $params, ['part' => 1, 'lane' => 'cc:11', 'points' => [1, 2, 3]]);

        self::assertSame($values, array_column(self::lane($outcome->change->applyTo($score), 'cc:11'), 1));
        self::assertSame($said, $outcome->said);
    }

    public function test_a_bend_is_counted_in_127ths_of_its_range(): void
    {
        $score = self::score('bend', [[0, 0], [960, -8192]]);
        $on = ['part' => 1, 'lane' => 'bend', 'points' => [1, 2]];
        $up = self::done($score, 'velocity-add', ['amount' => 10], $on)->change->applyTo($score);

        self::assertSame([1290, -6902], array_column(self::lane($up, 'bend'), 1));
        self::assertSame([8191, 8191], array_column(self::lane(self::done($score, 'velocity-set', ['value' => 127], $on)->change->applyTo($score), 'bend'), 1));
    }

    public function test_points_go_to_the_grid_and_follow_nudges(): void
    {
        $score = self::score('cc:1', [[40, 1], [900, 2], [2000, 3]]);
        $on = ['part' => 1, 'lane' => 'cc:1', 'points' => [1, 2, 3]];

        self::assertSame([0, 960, 1920], array_column(self::lane(self::done($score, 'quantize', [], $on)->change->applyTo($score), 'cc:1'), 0));
        self::assertSame([100, 960, 2060], array_column(self::lane(self::done($score, 'nudge', ['steps' => 60, 'by' => ['unit' => 'ticks', 'amount' => 1]], $on)->change->applyTo($score), 'cc:1'), 0));
    }

    public function test_a_line_is_shown_by_few_points_and_what_held_before_and_after_stays(): void
    {
        $score = self::score('cc:11', [[0, 90], [5000, 30]]);
        $after = self::done($score, 'lane-line', ['lane' => 'cc:11', 'from' => 960, 'to' => 4800, 'low' => 10, 'high' => 40], ['part' => 1])->change->applyTo($score);
        $line = self::lane($after, 'cc:11');

        self::assertSame([0, 90], $line[0]);
        self::assertSame([960, 10], $line[1]);
        self::assertSame([[4800, 90], [5000, 30]], array_slice($line, -2));
        // One point a value, none farther off than half of one.
        self::assertLessThanOrEqual(2 * 31, count($line));
        foreach (array_slice($line, 1, -2) as [$tick, $value]) {
            self::assertEqualsWithDelta(10 + 30 * ($tick - 960) / 3840, $value, 0.51);
        }
    }

    public function test_shapes_over_a_stretch(): void
    {
        $score = self::score('cc:11', []);
        $of = static fn (string $shape): array => array_column(self::lane(self::done($score, 'lane-shape', ['lane' => 'cc:1', 'shape' => $shape, 'from' => 0, 'to' => 3840, 'low' => 20, 'high' => 100], ['part' => 1])->change->applyTo($score), 'cc:1'), 1);

        self::assertSame([20, 100], [$of('rise')[0], max($of('rise'))]);
        self::assertSame([100, 20], [$of('fall')[0], min($of('fall'))]);
        $swell = $of('swell');
        self::assertSame([20, 100, 20], [$swell[0], max($swell), $swell[count($swell) - 1]]);
        self::assertSame([100], $of('hold'));
        self::assertSame([20, 100], [min($of('sine')), max($of('sine'))]);
        self::assertSame($of('random'), $of('random'), 'the seed says which');
        self::assertLessThanOrEqual(6, count($of('random')), 'one value a quarter');
    }

    public function test_a_stretch_is_copied_also_into_another_lane_and_moved(): void
    {
        $score = self::score('cc:11', [[0, 10], [960, 127], [1920, 0]]);
        $copied = self::done($score, 'lane-copy', ['lane' => 'cc:11', 'from' => 480, 'to' => 1440, 'at' => 9600], ['part' => 1])->change->applyTo($score);
        self::assertSame([[0, 10], [960, 127], [1920, 0], [9600, 10], [10_080, 127], [10_560, 0]], self::lane($copied, 'cc:11'));
        $bent = self::done($score, 'lane-copy', ['lane' => 'cc:11', 'from' => 0, 'to' => 1920, 'at' => 0, 'into' => 'bend'], ['part' => 1])->change->applyTo($score);
        self::assertSame([[0, -6902], [960, 8191]], self::lane($bent, 'bend'));
        $moved = self::done($score, 'lane-copy', ['lane' => 'cc:11', 'from' => 900, 'to' => 2000, 'at' => 5000, 'move' => true], ['part' => 1])->change->applyTo($score);
        self::assertSame([[0, 10], [5000, 10], [5060, 127], [6020, 0]], self::lane($moved, 'cc:11'));
    }

    public function test_a_lane_is_cleared_and_thinned_and_says_what_went(): void
    {
        $score = self::score('cc:11', [[0, 10], [100, 11], [200, 12], [300, 40], [400, 41]]);
        $thin = self::done($score, 'lane-thin', ['lane' => 'cc:11', 'tolerance' => 2], ['part' => 1]);
        self::assertSame([[0, 10], [300, 40]], self::lane($thin->change->applyTo($score), 'cc:11'));
        self::assertSame('3 points of 5 of Expression removed; the largest difference is 2.', $thin->said);
        $clear = self::done($score, 'lane-clear', ['lane' => 'cc:11', 'from' => 100, 'to' => 400], ['part' => 1]);
        self::assertSame([[0, 10], [400, 41]], self::lane($clear->change->applyTo($score), 'cc:11'));
        self::assertSame('There are no points of Modulation there.', self::done($score, 'lane-clear', ['lane' => 'cc:1', 'from' => 0, 'to' => 400], ['part' => 1])->said);
    }

    public function test_the_pedal_is_written_from_chords_as_a_foot_does(): void
    {
        $score = self::score('cc:64', [[50, 127], [2000, 0]]);
        $outcome = self::done($score, 'pedal', ['gap' => 50], ['part' => 1, 'pick' => ['all' => true]]);

        // 50 ms are 96 ticks; the strummed chord is one.
        self::assertSame([[0, 0], [96, 127], [1920, 0], [2016, 127], [2820, 0]], self::lane($outcome->change->applyTo($score), 'cc:64'));
        self::assertSame('The pedal follows 2 chords.', $outcome->said);
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> */
    public static function bad(): iterable
    {
        yield 'a lane of no kind' => ['lane-line', ['lane' => 'cc:300', 'from' => 0, 'to' => 9], 'lane'];
        yield 'a line of no length' => ['lane-line', ['lane' => 'cc:1', 'from' => 9, 'to' => 9], 'a place after from'];
        yield 'a value of 200' => ['lane-line', ['lane' => 'cc:1', 'from' => 0, 'to' => 9, 'high' => 200], 'high'];
        yield 'a shape that is none' => ['lane-shape', ['lane' => 'cc:1', 'shape' => 'zigzag', 'from' => 0, 'to' => 9], 'shape'];
        yield 'no span' => ['lane-shape', ['lane' => 'cc:1'], 'There is no span.'];
        yield 'a point beyond the range' => ['lane-draw', ['lane' => 'cc:1', 'points' => [[0, 128]]], 'a value from 0 to 127'];
        yield 'a part that is gone' => ['lane-copy', ['lane' => 'cc:11', 'from' => 0, 'to' => 9, 'at' => 0, 'part' => 99], 'part'];
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('bad')]
    public function test_what_cannot_be_is_refused(string $edit, array $params, string $words): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($words);
        self::done(self::score('cc:11', [[0, 10]]), $edit, $params, ['part' => 1]);
    }

    public function test_at_every_tick_a_line_lies_within_half_a_unit(): void
    {
        $score = self::score('cc:11', []);
        mt_srand(3);
        for ($i = 0; $i < 30; $i++) {
            [$from, $length, $low, $high, $curve] = [mt_rand(0, 900), mt_rand(2, 4000), mt_rand(0, 127), mt_rand(0, 127), mt_rand(-100, 100)];
            $after = self::done($score, 'lane-line', ['lane' => 'cc:11', 'from' => $from, 'to' => $from + $length, 'low' => $low, 'high' => $high, 'curve' => $curve], ['part' => 1])->change->applyTo($score);
            $line = self::lane($after, 'cc:11');
            self::assertLessThanOrEqual(2 + abs($high - $low), count($line));
            $at = -1;
            for ($tick = $from; $tick < $from + $length; $tick++) {
                while (isset($line[$at + 1]) && $line[$at + 1][0] <= $tick) {
                    $at++;
                }
                self::assertEqualsWithDelta($low + ($high - $low) * LaneCurve::bent(($tick - $from) / $length, $curve), $line[$at][1], 0.5000001, "$low to $high, bent $curve, tick $tick");
            }
        }
    }

    public function test_points_of_a_line_stand_as_far_apart_as_is_asked(): void
    {
        $score = self::score('cc:11', []);
        $line = static fn (array $every): array => array_column(self::lane(self::done($score, 'lane-line', ['lane' => 'cc:11', 'from' => 0, 'to' => 3840, 'every' => $every], ['part' => 1])->change->applyTo($score), 'cc:11'), 0);

        self::assertSame([0, 960, 1920, 2880, 3840], $line(['unit' => 'grid']));
        self::assertSame([0, 480, 960], array_slice($line(['unit' => 'ms', 'amount' => 250]), 0, 3));
    }

    public function test_after_a_stretch_that_was_cleared_the_lane_is_as_it_was(): void
    {
        $score = self::score('cc:11', [[0, 20], [960, 100], [1920, 64], [2880, 30]]);
        $cleared = static fn (int $from, int $to): array => self::lane(self::done($score, 'lane-clear', ['lane' => 'cc:11', 'from' => $from, 'to' => $to], ['part' => 1])->change->applyTo($score), 'cc:11');

        self::assertSame([[0, 20], [2000, 64], [2880, 30]], $cleared(960, 2000));
        self::assertSame([[0, 20], [1920, 64], [2880, 30]], $cleared(960, 1920), 'a point stands there');
        self::assertSame([[0, 20], [960, 100], [1920, 64], [2880, 30]], $cleared(1000, 1900), 'nothing lies there');
        self::assertSame([[1000, 100], [1920, 64], [2880, 30]], $cleared(0, 1000), 'nothing held before');
    }

    public function test_a_part_grows_for_points_as_it_does_for_notes(): void
    {
        $score = self::score('cc:11', []);
        $score = $score->withPart($score->part(1)->withHead(new PartHead(1, 'Strings', 0, 0, 3840)));
        $outcome = self::done($score, 'lane-line', ['lane' => 'cc:11', 'from' => 0, 'to' => 7680], ['part' => 1]);
        $after = $outcome->change->applyTo($score);
        self::assertSame(7680, $after->part(1)->head->to);
        self::assertStringContainsString('“Strings” now reaches to the end of bar 2.', $outcome->said);
        self::assertSame([0, 0, 0], Exporter::leftOut(new Song($after, new Source)));
        // A line up to the very end makes none grow.
        self::assertSame(3840, self::done($score, 'lane-line', ['lane' => 'cc:11', 'from' => 0, 'to' => 3840], ['part' => 1])->change->applyTo($score)->part(1)->head->to);
        self::assertSame(11, Exporter::leftOut(new Song($after->withPart($after->part(1)->withHead(new PartHead(1, 'Strings', 0, 0, 7000))), new Source))[2]);
    }
}

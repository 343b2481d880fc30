<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Part\LoopPieces;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Parts that loop, or play as something else, are split, cropped and joined as they are heard. A bar is 3840 ticks. */
final class LoopingPartsTest extends TestCase
{
    /**
     * A bar of four notes from the second bar on, with two points, a hidden note and a hidden point on either side; and a
     * plain part after it.
     */
    private static function score(?PlaysAs $plays = null, bool $muted = false): Score
    {
        $notes = [new Note(1, 3840, 480, 60, 80), new Note(2, 4800, 1200, 62, 90), new Note(3, 6000, 480, 64, 100), new Note(4, 6960, 720, 65, 70), new Note(5, 1000, 480, 30, 70), new Note(6, 9000, 480, 31, 70)];
        $points = [new Point(1, 3840, 0xB0, 11, 40), new Point(2, 5760, 0xB0, 11, 90), new Point(3, 100, 0xB0, 1, 9), new Point(4, 8000, 0xB0, 11, 7)];
        $head = PartHead::fresh(1, 'Round', 3840, 7680)->withMuted($muted);
        $round = Part::of(1, 'Round', $notes, $points, PartSettings::fresh(), $plays === null ? $head : $head->playing($plays));
        $after = Part::of(2, 'After', [new Note(1, 38_400, 480, 72, 60)], [new Point(1, 38_400, 0xB0, 11, 20)], PartSettings::fresh(), PartHead::fresh(1, 'After', 38_400, 42_240));

        return new Score(Timeline::of(960, [[0, 500_000]], [[0, 4, 4]]), [1 => $round, 2 => $after], [1 => new Track(1, 'Line', 0)], 3, 2);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(Score $score, string $edit, array $params = [], int ...$parts): Outcome
    {
        $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['parts' => $parts === [] ? [1] : array_values($parts)]], $score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($outcome->change->applyTo($score))), "$edit undone");

        return $outcome;
    }

    /**
     * The notes that are heard of a whole song, cut at places.
     *
     * @param  list<int>  $cuts
     * @return list<array{int, int, int, int}> start, end, pitch, velocity
     */
    private static function heard(Score $score, array $cuts = []): array
    {
        $all = [];
        foreach ($score->parts as $part) {
            foreach (Sounding::notes($part, $score->time) as $note) {
                $edges = [$note->start, ...array_values(array_filter($cuts, static fn (int $cut): bool => $cut > $note->start && $cut < $note->end())), $note->end()];
                foreach (array_slice($edges, 1) as $i => $end) {
                    $all[] = [$edges[$i], $end, $note->pitch, $note->velocity];
                }
            }
        }
        sort($all);

        return $all;
    }

    /** @return list<int> what the controller holds at every eighth */
    private static function held(Score $score): array
    {
        $points = array_merge(...array_map(static fn (Part $p): array => Sounding::points($p, $score->time), array_values($score->parts)));
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick);
        $held = [];
        for ($tick = 0, $value = -1; $tick < 46_080; $tick += 480) {
            foreach ($points as $point) {
                $value = $point->tick > $tick - 480 && $point->tick <= $tick && $point->data1 === 11 ? $point->data2 : $value;
            }
            $held[] = $value;
        }

        return $held;
    }

    /** @return list<array{int, int, int}> window of each part, and up to where it loops, in order */
    private static function windows(Score $score): array
    {
        $windows = array_map(static fn (Part $p): array => [$p->head->from, $p->head->to, $p->head->plays->until], array_values($score->parts));
        sort($windows);

        return $windows;
    }

    /** @return iterable<string, array{int, list<array{int, int, int}>}> place, and the windows after it */
    public static function splits(): iterable
    {
        yield 'where a round begins' => [15_360, [[3840, 7680, 15_360], [15_360, 19_200, 23_000]]];
        yield 'where the second begins' => [7680, [[3840, 7680, 0], [7680, 11_520, 23_000]]];
        yield 'where the last begins' => [19_200, [[3840, 7680, 19_200], [19_200, 23_000, 0]]];
        yield 'within a round' => [13_000, [[3840, 7680, 13_000], [13_000, 15_360, 0], [15_360, 19_200, 23_000]]];
        yield 'within the first' => [5000, [[3840, 5000, 0], [5000, 7680, 0], [7680, 11_520, 23_000]]];
        yield 'within the last' => [20_000, [[3840, 7680, 20_000], [20_000, 23_000, 0]]];
        yield 'one tick before it ends' => [22_999, [[3840, 7680, 22_999], [22_999, 23_000, 0]]];
    }

    /** @param  list<array{int, int, int}>  $windows */
    #[DataProvider('splits')]
    public function test_a_loop_is_split_where_it_is_heard(int $at, array $windows): void
    {
        $score = self::score(new PlaysAs(-2, 50, 0, 23_000));
        $outcome = self::done($score, 'part-split', ['at' => $at]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([...$windows, [38_400, 42_240, 0]], self::windows($after));
        self::assertSame(self::heard($score, [$at]), self::heard($after));
        self::assertSame(self::held($score), self::held($after));
        self::assertCount(count($windows), $outcome->selection->parts);
        self::assertSame('1 part split into '.count($windows).'.'.(count($windows) === 3 ? ' What is left of the round there is a part of its own.' : ''), $outcome->said);
    }

    public function test_where_it_ends_there_is_nothing_to_split(): void
    {
        $score = self::score(new PlaysAs(until: 23_000));
        foreach ([3840, 23_000, 100] as $at) {
            self::assertSame('There is nowhere to split.', self::done($score, 'part-split', ['at' => $at])->said);
        }
    }

    public function test_at_every_bar_each_round_becomes_a_part(): void
    {
        $score = self::score(new PlaysAs(until: 23_000));
        $after = self::done($score, 'part-split', ['every' => 'bars', 'at' => 1])->change->applyTo($score);

        self::assertSame([[3840, 7680, 0], [7680, 11_520, 0], [11_520, 15_360, 0], [15_360, 19_200, 0], [19_200, 23_000, 0], [38_400, 42_240, 0]], self::windows($after));
        self::assertSame(self::heard($score), self::heard($after));
    }

    public function test_at_the_grid_each_cell_of_the_part_becomes_a_part(): void
    {
        $score = self::score();
        $score = $score->withPart($score->part(1)->withSettings($score->part(1)->settings()->changed(['grid' => '1/4'])));
        $outcome = self::done($score, 'part-split', ['every' => 'grid', 'at' => 1]);
        $after = $outcome->change->applyTo($score);

        self::assertSame('1 part split into 4.', $outcome->said);
        self::assertSame([[3840, 4800, 0], [4800, 5760, 0], [5760, 6720, 0], [6720, 7680, 0], [38_400, 42_240, 0]], self::windows($after));
        self::assertSame(self::heard($score, [4800, 5760, 6720]), self::heard($after));
        $this->expectExceptionMessage('That would be more than 2000 parts: nothing was split.');
        $long = $score->withPart($score->part(1)->withHead($score->part(1)->head->withWindow(3840, 3_840_000))->withSettings($score->part(1)->settings()->changed(['grid' => '1/64'])));
        Batch::once(['edit' => 'part-split', 'params' => ['every' => 'grid', 'at' => 1], 'on' => ['parts' => [1]]], $long);
    }

    public function test_any_pieces_sound_together_as_the_whole(): void
    {
        mt_srand(30);
        for ($i = 0; $i < 300; $i++) {
            [$from, $length] = [mt_rand(0, 50), mt_rand(1, 40)];
            $until = $from + $length + mt_rand(0, 200);
            $cuts = array_values(array_unique(array_filter(array_map(static fn (): int => mt_rand($from + 1, $until), range(0, mt_rand(0, 4))), static fn (int $cut): bool => $cut < $until)));
            sort($cuts);
            $sounds = $starts = [];
            foreach (LoopPieces::of($from, $from + $length, $until, $cuts) as $piece) {
                $starts[] = $piece['from'];
                for ($tick = $piece['from']; $tick < max($piece['to'], $piece['until']); $tick++) {
                    $sounds[] = [$tick, $piece['from'] - $piece['later'] + ($tick - $piece['from']) % ($piece['to'] - $piece['from'])];
                }
            }
            self::assertSame(array_map(static fn (int $tick): array => [$tick, $from + ($tick - $from) % $length], range($from, $until - 1)), $sounds);
            self::assertSame([], array_diff([$from, ...$cuts], $starts));
        }
    }

    /** @return iterable<string, array{int, int, array{int, int, int}}> span, and the window after */
    public static function crops(): iterable
    {
        yield 'whole rounds' => [11_520, 19_200, [11_520, 15_360, 19_200]];
        yield 'one round' => [11_520, 15_360, [11_520, 15_360, 0]];
        yield 'within a round' => [12_000, 14_000, [12_000, 14_000, 0]];
        yield 'within the first' => [4500, 6000, [4500, 6000, 0]];
        yield 'from before it to within a round' => [0, 9000, [3840, 7680, 9000]];
        yield 'past its end it loops on' => [7680, 26_880, [7680, 11_520, 26_880]];
    }

    /** @param  array{int, int, int}  $window */
    #[DataProvider('crops')]
    public function test_a_loop_is_cropped_to_what_is_heard(int $from, int $to, array $window): void
    {
        $score = self::score(new PlaysAs(until: 23_000));
        $outcome = self::done($score, 'part-crop', ['from' => $from, 'to' => $to]);
        $after = $outcome->change->applyTo($score);

        self::assertSame($window, self::windows($after)[0]);
        $inside = static fn (array $n): bool => $n[0] >= $from && $n[1] <= min($to, 22_320);
        self::assertSame(array_values(array_filter(self::heard($score, [$from, $to]), $inside)), array_values(array_filter(self::heard($after), $inside)));
        self::assertStringContainsString('“Round” cropped to '.$score->time->position($window[0]).'–'.$score->time->position(max($window[1], $window[2])), $outcome->said);
    }

    public function test_a_stretch_from_within_a_round_into_the_next_is_refused(): void
    {
        $this->expectExceptionObject(new Refusal('“Round” loops, and 4.2.1 lies within a round: split it there, or crop it from 4.1.1. Nothing changed.', 'from'));
        self::done(self::score(new PlaysAs(until: 23_000)), 'part-crop', ['from' => 12_480, 'to' => 16_000]);
    }

    public function test_a_stretch_where_it_is_not_heard_loops_no_more(): void
    {
        foreach ([[0, 3840], [23_000, 26_880]] as [$from, $to]) {
            $score = self::score(new PlaysAs(until: 23_000));
            self::assertSame([$from, $to, 0], self::windows(self::done($score, 'part-crop', ['from' => $from, 'to' => $to])->change->applyTo($score))[0]);
        }
    }

    public function test_the_end_of_the_window_of_a_loop_moves_and_it_loops_as_far(): void
    {
        $score = self::score(new PlaysAs(until: 23_000));
        self::assertSame([3840, 5760, 23_000], self::windows(self::done($score, 'part-resize', ['to' => 5760])->change->applyTo($score))[0]);
    }

    /** @return iterable<string, array{PlaysAs|null}> */
    public static function played(): iterable
    {
        yield 'plain' => [null];
        yield 'looped' => [new PlaysAs(until: 23_000)];
        yield 'otherwise, later' => [new PlaysAs(5, 120, 400, 0)];
        yield 'otherwise, earlier and looped' => [new PlaysAs(-5, 30, -400, 23_000)];
    }

    #[DataProvider('played')]
    public function test_joined_parts_are_heard_as_before(?PlaysAs $plays): void
    {
        foreach (['part-join', 'part-merge', 'part-flatten'] as $edit) {
            $score = self::score($plays);
            $after = self::done($score, $edit, [], 1, 2)->change->applyTo($score);
            self::assertSame(self::heard($score), self::heard($after), $edit);
            self::assertSame(self::held($score), self::held($after), $edit);
        }
    }

    public function test_the_last_note_of_a_part_that_plays_later_is_kept_when_it_is_joined_to_another(): void
    {
        $score = self::score();
        $after = $score->part(2);
        $score = new Score($score->time, [1 => $score->part(1), 2 => $after->withHead($after->head->withWindow(38_400, 38_900)->playing(new PlaysAs(delay: 500)))], $score->tracks, 3, 2);
        foreach (['part-join', 'part-merge'] as $edit) {
            self::assertSame(self::heard($score), self::heard(self::done($score, $edit, [], 1, 2)->change->applyTo($score)), $edit);
        }
    }

    public function test_a_muted_part_that_is_joined_to_one_that_is_heard_stays_unheard_and_the_other_does_not(): void
    {
        $score = self::score(muted: true);
        foreach (['part-join', 'part-merge'] as $edit) {
            $outcome = self::done($score, $edit, [], 1, 2);
            $after = $outcome->change->applyTo($score);
            self::assertSame(self::heard($score), self::heard($after), $edit);
            self::assertSame(self::held($score), self::held($after), $edit);
            self::assertCount(5, $after->part($outcome->selection->parts[0])->notes->all(), 'the muted ones are there');
            self::assertSame(['2 points of muted parts are left out: points cannot be muted.'], $outcome->warnings);
        }
    }

    public function test_parts_that_are_muted_alike_are_joined_muted(): void
    {
        $score = self::score(muted: true);
        $score = new Score($score->time, [1 => $score->part(1), 2 => $score->part(2)->withHead($score->part(2)->head->withMuted(true))], $score->tracks, 3, 2);
        $outcome = self::done($score, 'part-join', [], 1, 2);
        $into = $outcome->change->applyTo($score)->part($outcome->selection->parts[0]);
        self::assertTrue($into->head->muted);
        self::assertNotContains(true, $into->notes->column('muted'));
        self::assertSame([], $outcome->warnings);
    }

    public function test_a_pedal_that_is_down_at_the_end_of_the_first_is_let_go_there(): void
    {
        $score = self::score();
        $first = $score->part(1);
        $score = new Score($score->time, [1 => Part::of(1, 'Round', $first->notes->all(), [new Point(1, 4000, 0xB0, 64, 127), new Point(2, 9000, 0xB0, 64, 127)], PartSettings::fresh(), $first->head), 2 => $score->part(2)], $score->tracks, 3, 2);
        $after = self::done($score, 'part-join', [], 1, 2)->change->applyTo($score);
        self::assertSame([[4000, 127], [7680, 0]], array_values(array_map(static fn (Point $p): array => [$p->tick, $p->data2], array_filter(Sounding::points($after->part(1), $after->time), static fn (Point $p): bool => $p->data1 === 64))));
    }
}

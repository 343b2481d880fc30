<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A window that an edit made longer goes back when an edit leaves nothing there. A bar is 3840 ticks. */
final class GrownWindowTest extends TestCase
{
    /**
     * A part of the second bar, with notes that start at its first and its last quarter.
     *
     * @param  list<array{int, int}>  $more  start and length of further notes
     */
    private static function score(array $more = [], int $from = 3840, int $to = 7680): Score
    {
        $notes = array_map(static fn (array $n, int $i): Note => new Note($i + 1, $n[0], $n[1], 60 + $i, 80), $all = [[3840, 480], [6720, 480], ...$more], array_keys($all));
        $part = Part::of(1, 'Line', $notes, [new Point(1, 6720, 0xB0, 11, 60)], PartSettings::fromArray(['grid' => '1/4', 'strength' => 100]), PartHead::fresh(1, '', $from, $to)->withName('Line'));

        return new Score(Timeline::of(960, [[0, 500_000]], [[0, 4, 4]]), [1 => $part], [1 => new Track(1, 'Line', 0)], 2, 2);
    }

    /**
     * Does commands on all notes, one after the other.
     *
     * @param  list<array{string, array<string, mixed>, list<int>|null}>  $edits  id, parameters, notes or all
     * @return array{list<array{int, int}>, list<string>} the window after each, and what was said
     */
    private static function windows(Score &$score, array $edits): array
    {
        $windows = $said = [];
        foreach ($edits as [$edit, $params, $notes]) {
            $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['part' => 1] + ($notes === null ? ['pick' => ['all' => true]] : ['notes' => $notes])], $score);
            $after = $outcome->change->applyTo($score);
            self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)), "$edit undone");
            $score = $after;
            $windows[] = [$score->part(1)->head->from, $score->part(1)->head->to];
            $said[] = $outcome->said;
        }

        return [$windows, $said];
    }

    /** @return array{string, array<string, mixed>, null} a nudge of all notes, by ticks */
    private static function nudge(int $ticks): array
    {
        return ['nudge', ['steps' => $ticks < 0 ? -1 : 1, 'by' => ['unit' => 'ticks', 'amount' => abs($ticks)]], null];
    }

    public function test_back_to_as_played_takes_the_bar_away_that_a_wide_grid_made(): void
    {
        $score = self::score();
        [$windows, $said] = self::windows($score, [['quantize', ['grid' => '1/2'], null], ['as-played', [], null], ['quantize', ['grid' => '1/2'], null], ['quantize', ['grid' => '1/4'], null]]);

        self::assertSame([[3840, 11_520], [3840, 7680], [3840, 11_520], [3840, 11_520]], $windows, 'on another grid they start from where they are');
        self::assertStringContainsString('“Line” now reaches to the end of bar 3.', $said[0]);
        self::assertStringContainsString('“Line” reaches to the end of bar 2 again.', $said[1]);
    }

    public function test_it_is_as_long_as_what_lies_beyond_the_given_end_needs(): void
    {
        $score = self::score();
        [$windows] = self::windows($score, [self::nudge(7680), self::nudge(-3840), self::nudge(-3840)]);

        self::assertSame([[3840, 15_360], [3840, 11_520], [3840, 7680]], $windows);
    }

    public function test_the_beginning_goes_back_likewise(): void
    {
        $score = self::score();
        [$windows, $said] = self::windows($score, [self::nudge(-480), self::nudge(480)]);

        self::assertSame([[0, 7680], [3840, 7680]], $windows);
        self::assertStringContainsString('“Line” begins at bar 2 again.', $said[1]);
    }

    public function test_both_ends_at_once(): void
    {
        $score = self::score([[7200, 480]]);
        [$windows, $said] = self::windows($score, [['nudge', ['steps' => -1, 'by' => ['unit' => 'ticks', 'amount' => 10]], [1]], ['nudge', ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]], [2, 3]], ['delete', [], [1, 2, 3]]]);

        self::assertSame([[0, 7680], [0, 11_520], [3840, 7680]], $windows);
        self::assertStringContainsString('“Line” begins at bar 2 again and reaches to the end of bar 2 again.', $said[2]);
    }

    /** @return iterable<string, array{int, int, int}> start and length of a note that is made so, and the end of the window after */
    public static function tails(): iterable
    {
        yield 'one tick less than half a sixteenth over the end' => [6720, 1079, 7680];
        yield 'half a sixteenth' => [6720, 1080, 11_520];
        yield 'a whole note over it, however short' => [7680, 1, 11_520];
        yield 'up to the very end' => [6720, 960, 7680];
    }

    #[DataProvider('tails')]
    public function test_a_short_tail_makes_nothing_grow_and_keeps_nothing_grown(int $start, int $length, int $to): void
    {
        $score = self::score();
        $note = ['insert', ['notes' => [['start' => $start, 'length' => $length, 'pitch' => 72]]], []];
        self::assertSame([[3840, $to]], self::windows($score, [$note])[0]);

        $score = self::score();
        self::assertSame([[3840, 11_520], [3840, 11_520], [3840, $to]], self::windows($score, [['insert', ['notes' => [['start' => 8000, 'length' => 100, 'pitch' => 72]]], []], $note, ['delete', [], [3]]])[0]);
    }

    public function test_a_tail_that_made_nothing_grow_does_when_it_gets_longer(): void
    {
        $score = self::score([[7200, 500]]);
        self::assertSame([[3840, 11_520]], self::windows($score, [['set-length', ['value' => '1/2'], [3]]])[0]);
    }

    public function test_what_was_hidden_before_is_hidden_again(): void
    {
        $score = self::score([[12_000, 100]]);
        [$windows] = self::windows($score, [['nudge', ['steps' => 1, 'by' => ['unit' => 'ticks', 'amount' => 1000]], [2]], ['nudge', ['steps' => -1, 'by' => ['unit' => 'ticks', 'amount' => 1000]], [2]]]);

        self::assertSame([[3840, 11_520], [3840, 7680]], $windows);
    }

    public function test_points_make_it_grow_and_let_it_go_back(): void
    {
        $score = self::score();
        $done = static fn (array $command): Score => Batch::once($command, $score)->change->applyTo($score);
        $score = $done(['edit' => 'lane-draw', 'params' => ['lane' => 'cc:11', 'points' => [[9000, 10]]], 'on' => ['part' => 1]]);
        self::assertSame(11_520, $score->part(1)->head->to);
        $score = $done(['edit' => 'delete', 'on' => ['part' => 1, 'points' => [2]]]);
        self::assertSame(7680, $score->part(1)->head->to);
    }

    public function test_a_window_that_somebody_gives_it_stays(): void
    {
        foreach ([['part-resize', ['to' => 15_360]], ['part-loop', ['until' => 46_080]]] as [$edit, $params]) {
            $score = self::score();
            [$windows] = self::windows($score, [self::nudge(3840), [$edit, $params, []], self::nudge(-3840)]);
            self::assertSame($windows[1], $windows[2], $edit);
        }
    }

    public function test_it_moves_with_its_part_and_is_in_its_copy(): void
    {
        $score = self::score();
        self::windows($score, [self::nudge(3840)]);
        foreach ([['part-move', ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 2]]], ['part-repeat', []]] as [$edit, $params]) {
            $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['parts' => [1]]], $score);
            $after = $outcome->change->applyTo($score);
            $id = $outcome->selection->parts[0];
            self::assertSame([11_520, 19_200], [$after->part($id)->head->from, $after->part($id)->head->to], $edit);
            $back = Batch::once(['edit' => 'nudge', 'params' => self::nudge(-3840)[1], 'on' => ['part' => $id, 'pick' => ['all' => true]]], $after);
            self::assertSame(15_360, $back->change->applyTo($after)->part($id)->head->to, $edit);
        }
    }

    public function test_a_head_is_read_back_as_it_was_written(): void
    {
        $head = PartHead::fresh(1, 'Line', 960, 3840)->grown(0, 7680);
        self::assertEquals($head, PartHead::fromArray($head->toArray()));
        self::assertSame([960, 3840], $head->given);
        self::assertNull($head->grown(960, 3840)->given);
        self::assertNull($head->withWindow(0, 7680)->given);
    }
}

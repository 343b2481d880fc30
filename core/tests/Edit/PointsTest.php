<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Reading\Clip;
use Jactonic\Core\Reading\Span;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What keys do to the points of a lane: select, put in, repeat, copy, paste; and what is for notes only. */
final class PointsTest extends TestCase
{
    /** @param  list<array{int, int}>  $points  tick and value; their ids count from 1 */
    private static function score(array $points = [[0, 20], [240, 100], [500, 20], [3840, 64], [4800, 127]], string $lane = 'cc:1'): Score
    {
        $made = array_map(static fn (array $p, int $i): Point => Lane::parse($lane)->point($i + 1, $p[0], 0, $p[1]), $points, array_keys($points));

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Pad', [new Note(1, 0, 7000, 60, 80)], $made, PartSettings::fromArray(['grid' => '1/16']))], [1 => new Track(1, 'Pad', 0)], 2, 2);
    }

    /** @param  list<int>  $ids */
    private static function on(array $ids, string $lane = 'cc:1'): Selection
    {
        return new Selection(points: [1 => [$lane => $ids]]);
    }

    /** @return list<array{int, int}> tick and value of a lane, in order of time */
    private static function lane(Score $score, string $lane = 'cc:1'): array
    {
        $points = array_filter($score->part(1)->points->all(), Lane::parse($lane)->holds(...));
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);

        return array_map(static fn (Point $p): array => [$p->tick, Lane::of($p)->value($p)], array_values($points));
    }

    /** @param  array<string, mixed>  $command */
    private static function done(array $command, Selection $on, ?Score $score = null, Context $context = new Context(240, 60)): Outcome
    {
        return (new Batch($score ?? self::score(), chosen: $on, context: $context))->run($command);
    }

    /** @return iterable<string, array{string, list<int>, list<int>, string, 3?: string}> */
    public static function moves(): iterable
    {
        yield 'all' => ['all', [], [1, 2, 3, 4, 5], '5 points selected.'];
        yield 'none' => ['none', [1, 2], [], 'No points are selected.'];
        yield 'the others' => ['inverse', [1, 2], [3, 4, 5], '3 points selected.'];
        yield 'from the caret' => ['next', [], [2], 'Modulation 100 at 1.1.2: point 2 of 5.'];
        yield 'before the caret' => ['previous', [], [1], 'Modulation 20 at 1.1.1: point 1 of 5.'];
        yield 'the next' => ['next', [2], [3], 'Modulation 20 at 1.1.3.08: point 3 of 5.'];
        yield 'no later one' => ['next', [5], [5], 'There is no later point. Modulation 127 at 2.2.1: point 5 of 5.'];
        yield 'one more' => ['grow-next', [2], [2, 3], '2 points selected.'];
        yield 'of one value' => ['row', [1], [1, 3], '2 points selected.'];
        yield 'of the bar' => ['bar', [4], [4, 5], '2 points selected.'];
        yield 'in the span' => ['span', [], [2, 3], '2 points selected.'];
        yield 'outside the span' => ['outside-span', [], [1, 4, 5], '3 points selected.'];
        yield 'higher' => ['louder', [4], [2, 5], '2 points selected.'];
        yield 'lower' => ['softer', [4], [1, 3], '2 points selected.'];
        yield 'off the grid' => ['off-grid', [], [3], 'Modulation 20 at 1.1.3.08: point 3 of 5.'];
        yield 'every second' => ['every-second', [], [1, 3, 5], '3 points selected.'];
        yield 'first of each bar' => ['first-chords', [], [1, 4], '2 points selected.'];
        yield 'at the same place in the bar' => ['same-place', [1], [1, 4], '2 points selected.'];
    }

    /**
     * @param  list<int>  $on
     * @param  list<int>  $found
     */
    #[DataProvider('moves')]
    public function test_points_are_selected_as_notes_are(string $move, array $on, array $found, string $said): void
    {
        $outcome = self::done(['select' => $move], self::on($on), context: new Context(240, 60, null, [240, 960]));
        $ids = $outcome->selection->points[1]['cc:1'];
        sort($ids);

        self::assertSame($found, $ids);
        self::assertSame($said, $outcome->said);
        self::assertSame([], $outcome->selection->notes);
    }

    public function test_one_point_is_told_with_its_place(): void
    {
        $said = self::done(['select' => 'next'], self::on([5]))->said;

        self::assertSame('There is no later point. Modulation 127 at 2.2.1: point 5 of 5.', $said);
    }

    public function test_in_a_lane_with_no_points_walking_says_so(): void
    {
        self::assertSame('There are no points to walk to.', self::done(['select' => 'next'], self::on([]), self::score([]))->said);
        self::assertSame('No points are selected.', self::done(['select' => 'all'], self::on([]), self::score([]))->said);
    }

    public function test_what_is_found_is_added_narrows_or_is_taken_away(): void
    {
        $ids = static fn (string $how): array => self::done(['select' => 'row', 'how' => $how], self::on([1, 2]))->selection->points[1]['cc:1'];

        self::assertSame([1, 2, 3], $ids('add'));
        self::assertSame([1, 2], $ids('narrow'));
        self::assertSame([], $ids('take'));
    }

    public function test_walking_takes_the_caret_along_and_leaves_its_row(): void
    {
        $batch = new Batch(self::score(), chosen: self::on([3]), context: new Context(0, 71));
        $batch->run(['select' => 'next']);
        self::assertSame([3840, 71], $batch->at);
        $batch->run(['select' => 'row']);
        self::assertSame([3840, 71], $batch->at);
    }

    public function test_a_bend_is_selected_by_its_values(): void
    {
        $score = self::score([[0, -8192], [10, 0], [20, 8191], [30, 0]], 'bend');

        self::assertSame([2, 4], self::done(['select' => 'row'], self::on([2], 'bend'), $score)->selection->points[1]['bend']);
        self::assertSame([3], self::done(['select' => 'louder'], self::on([2], 'bend'), $score)->selection->points[1]['bend']);
    }

    public function test_what_is_for_notes_says_so_and_changes_none(): void
    {
        foreach (['legato', 'transpose', 'split', 'insert-run', 'insert-chord'] as $edit) {
            $params = ['transpose' => ['steps' => 1], 'insert-chord' => ['chord' => 'C']][$edit] ?? [];
            $outcome = self::done(['edit' => $edit, 'params' => $params], self::on([]));
            self::assertTrue($outcome->change->isEmpty(), $edit);
            self::assertSame('This works on notes, and a lane has the keys: nothing changed.', $outcome->said);
            self::assertSame('Points are selected, and this works on notes: nothing changed.', self::done(['edit' => $edit, 'params' => $params], self::on([2]))->said);
        }
        self::assertSame('No points are selected: nothing changed.', self::done(['edit' => 'delete'], self::on([]))->said);
        $this->expectExceptionMessage('“Select the whole chord” is for notes');
        self::done(['select' => 'chord'], self::on([1]));
    }

    public function test_a_condition_of_notes_selects_no_points(): void
    {
        $this->expectException(Refusal::class);
        self::done(['select' => ['velocity' => ['min' => 3]]], self::on([1]));
    }

    public function test_a_point_takes_what_the_lane_holds_there_and_writing_goes_on(): void
    {
        $outcome = self::done(['edit' => 'lane-point'], self::on([]), context: new Context(300, 60));
        $after = $outcome->change->applyTo(self::score());

        self::assertSame('Modulation 100 at 1.1.2.25.', $outcome->said);
        self::assertSame([[0, 20], [240, 100], [300, 100], [500, 20], [3840, 64], [4800, 127]], self::lane($after));
        self::assertSame([1 => ['cc:1' => [6]]], $outcome->selection->points);
        self::assertSame(480, $outcome->caret);
    }

    public function test_a_point_where_one_stands_sets_its_value(): void
    {
        $after = self::done(['edit' => 'lane-point', 'params' => ['value' => 5]], self::on([]))->change->applyTo(self::score());

        self::assertSame([[0, 20], [240, 5], [500, 20], [3840, 64], [4800, 127]], self::lane($after));
    }

    public function test_where_a_lane_holds_nothing_a_point_is_at_its_rest(): void
    {
        foreach (['cc:11' => 127, 'cc:10' => 64, 'cc:7' => 100, 'cc:64' => 0, 'bend' => 0] as $lane => $value) {
            $after = self::done(['edit' => 'lane-point', 'params' => ['lane' => $lane]], new Selection([1 => []]))->change->applyTo(self::score());
            self::assertSame([[240, $value]], self::lane($after, $lane), $lane);
        }
    }

    public function test_a_value_that_the_lane_cannot_hold_is_refused(): void
    {
        $this->expectExceptionMessage('0 to 127 in the lane of Modulation');
        self::done(['edit' => 'lane-point', 'params' => ['value' => 128]], self::on([]));
    }

    public function test_edits_of_a_lane_draw_in_the_one_that_is_worked_in(): void
    {
        $params = ['from' => 960, 'to' => 1920, 'shape' => 'hold', 'high' => 9];
        self::assertSame('Modulation', explode(':', self::done(['edit' => 'lane-shape', 'params' => $params], self::on([]))->said)[0]);
        self::assertSame('Expression', explode(':', self::done(['edit' => 'lane-shape', 'params' => $params], new Selection([1 => []]))->said)[0]);
        self::assertSame('Pan', explode(':', self::done(['edit' => 'lane-shape', 'params' => ['lane' => 'pan'] + $params], self::on([]))->said)[0]);
    }

    public function test_points_are_repeated_by_cells_or_bars_and_replace_what_lies_there(): void
    {
        $outcome = self::done(['edit' => 'repeat', 'params' => ['times' => 2]], self::on([1, 2]));
        self::assertSame('2 points repeated, 2 times, every 2 × 1/16.', $outcome->said);
        self::assertSame([[0, 20], [240, 100], [480, 20], [720, 100], [960, 20], [1200, 100], [3840, 64], [4800, 127]], self::lane($outcome->change->applyTo(self::score())));
        self::assertCount(4, $outcome->selection->points[1]['cc:1']);

        $bars = self::done(['edit' => 'repeat', 'params' => ['every' => 'bars']], self::on([1, 2]))->change->applyTo(self::score());
        self::assertSame([[0, 20], [240, 100], [500, 20], [3840, 20], [4080, 100], [4800, 127]], self::lane($bars));
        $back = $outcome->change->inverse()->applyTo($outcome->change->applyTo(self::score()));
        self::assertSame(self::score()->part(1)->points->bytes(), $back->part(1)->points->bytes());
    }

    public function test_points_that_an_edit_took_away_are_not_selected_for_the_next(): void
    {
        $batch = new Batch(self::score([[0, 20], [240, 21], [480, 90]]), chosen: self::on([1, 2, 3]), context: new Context(0, 60));
        $batch->run(['edit' => 'lane-thin', 'params' => ['tolerance' => 5]]);
        self::assertSame([1 => ['cc:1' => [1, 3]]], $batch->chosen->points ?? null);
        $batch->run(['edit' => 'velocity-add', 'params' => ['amount' => 1]]);
        self::assertSame([[0, 21], [480, 91]], self::lane($batch->score));
    }

    /** @return array<string, mixed> */
    private static function clip(Selection $on, Context $context = new Context(0)): array
    {
        $given = $context->span === null ? [] : ['from' => $context->span[0], 'to' => $context->span[1]];

        return (new Clip)->read(new EditInput(self::score(), $on, Params::read(Clip::spec()->params, $given, 'clip'), $context));
    }

    public function test_copied_points_hang_on_their_line(): void
    {
        self::assertEquals(['notes' => [], 'anchor' => 480, 'length' => 3600, 'points' => (object) ['cc:1' => [[500, 20], [3840, 64]]]], self::clip(self::on([3, 4])));
    }

    public function test_of_a_span_what_holds_at_its_start_is_copied_too(): void
    {
        self::assertEquals(['notes' => [], 'anchor' => 300, 'length' => 700, 'points' => (object) ['cc:1' => [[300, 100], [500, 20]]]], self::clip(self::on([]), new Context(0, null, null, [300, 1000])));
    }

    public function test_points_are_pasted_into_another_lane_by_its_range(): void
    {
        $paste = ['edit' => 'lane-paste', 'params' => ['points' => [[500, 0], [600, 127]], 'of' => 'cc:1', 'at' => 240, 'anchor' => 480]];
        $outcome = self::done($paste, self::on([], 'bend'));
        self::assertSame([[260, -8192], [360, 8191]], self::lane($outcome->change->applyTo(self::score()), 'bend'));
        self::assertCount(2, $outcome->selection->points[1]['bend']);
        // Into its own it replaces what lies between.
        self::assertSame([[0, 20], [240, 100], [260, 0], [360, 127], [500, 20], [3840, 64], [4800, 127]], self::lane(self::done($paste, self::on([]))->change->applyTo(self::score())));
        // The earliest does not go before the song.
        $first = ['edit' => 'lane-paste', 'params' => ['points' => [[100, 1], [600, 2]], 'at' => 0, 'anchor' => 480]];
        self::assertSame([0, 1], self::lane(self::done($first, self::on([]))->change->applyTo(self::score()))[0]);
    }

    public function test_the_span_goes_around_selected_points(): void
    {
        $answer = (new Span)->read(new EditInput(self::score(), self::on([2, 3]), Params::read(Span::spec()->params, ['what' => 'selection'], 'span'), new Context(0)));

        self::assertSame([240, 720], [$answer['from'], $answer['to']]);
    }
}

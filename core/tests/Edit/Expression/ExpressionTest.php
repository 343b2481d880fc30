<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Expression;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Expression\NoteCurve;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\BendRange;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Curves of single notes, and articulations given by number and name. 960 ticks a quarter, 120 a minute. */
final class ExpressionTest extends TestCase
{
    /** @param  array<string, mixed>  $params */
    private static function own(string $edit, array $params, string $own = '', int $channel = 0): string
    {
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Vibes', [new Note(1, 960, 1920, 60, 80, channel: $channel, own: $own)])], [1 => new Track(1, 'Vibes', 0)], 2, 2);
        $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['part' => 1, 'pick' => ['all' => true]]], $score);
        $after = $outcome->change->applyTo($score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)));

        return $after->part(1)->note(1)->own;
    }

    /** @return list<array{int, int}> */
    private static function points(string $own, string $lane = 'bend'): array
    {
        return Expression::of($own)->points(Lane::parse($lane));
    }

    public function test_points_replace_what_lies_between_them(): void
    {
        $own = self::own('note-draw', ['points' => [[0, 0], [500, 100], [900, 50]]]);
        self::assertSame([[0, 0], [200, 7], [400, 8], [900, 50]], self::points(self::own('note-draw', ['points' => [[400, 8], [200, 7]]], '{"bend":[[0,0],[300,99],[900,50]]}')));
        self::assertSame([[0, 0], [500, 100], [900, 50]], self::points($own));
        self::assertSame([[0, 3]], self::points(self::own('note-draw', ['lane' => 'cc:11', 'points' => [[0, 3]]], $own), 'cc:11'));
    }

    public function test_a_line_bends_by_cents_of_the_range_that_holds(): void
    {
        $points = self::points(self::own('note-line', ['low' => -100, 'high' => 0, 'to' => 50]));
        self::assertSame([0, -4096], $points[0]);
        self::assertSame(0, $points[count($points) - 1][1]);
        self::assertEqualsWithDelta(960, $points[count($points) - 1][0], 20, 'half of its length');
        // A range of twelve semitones: an octave is all of it.
        $wide = [new Point(1, 0, 0xB0, 101, 0), new Point(2, 0, 0xB0, 100, 0), new Point(3, 0, 0xB0, 6, 12), new Point(4, 0, 0xB0, 38, 0)];
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Vibes', [new Note(1, 0, 960, 60, 80)], $wide)], [1 => new Track(1, 'Vibes', 0)], 2, 2);
        $after = Batch::once(['edit' => 'note-line', 'params' => ['low' => -600, 'high' => 0], 'on' => ['part' => 1, 'pick' => ['all' => true]]], $score)->change->applyTo($score);
        self::assertSame([0, -4096], self::points($after->part(1)->note(1)->own)[0]);
    }

    public function test_vibrato_begins_after_a_while_and_swings_as_far_to_either_side_at_its_rate(): void
    {
        $points = self::points(self::own('note-shape', ['depth' => 50, 'rate' => 5, 'after' => 400]));
        self::assertSame([0, 0], $points[0]);
        self::assertGreaterThan(760, $points[1][0], 'four tenths of a second are 768 ticks');
        $values = array_column($points, 1);
        self::assertEqualsWithDelta(2048, max($values), 40);
        self::assertEqualsWithDelta(-2048, min($values), 40);
        $crossings = 0;
        foreach (array_slice($values, 1) as $i => $value) {
            $crossings += ($value > 0) !== ($values[$i] > 0) ? 1 : 0;
        }
        // Six tenths of a second are left: three waves, six crossings.
        self::assertEqualsWithDelta(6, $crossings, 1);
    }

    public function test_one_point_is_put_set_moved_and_deleted(): void
    {
        $curve = '{"bend":[[0,0],[480,4096],[900,0]]}';
        self::assertSame([[0, 0], [240, 2048], [480, 4096], [900, 0]], self::points(self::own('note-point', ['at' => 240, 'value' => 50], $curve)));
        self::assertSame([[0, 0], [480, -4096], [900, 0]], self::points(self::own('note-point', ['at' => 480, 'value' => -100], $curve)));
        self::assertSame([[0, 0], [600, 4096], [900, 0]], self::points(self::own('note-point', ['at' => 480, 'to' => 600], $curve)));
        self::assertSame([[0, 0], [900, 4096]], self::points(self::own('note-point', ['at' => 480, 'to' => 900], $curve)));
        self::assertSame([[0, 0], [900, 0]], self::points(self::own('note-point', ['at' => 480, 'remove' => true], $curve)));
        // With no value it has what the curve has there; a note with none is straight.
        self::assertSame([[0, 0], [480, 4096], [500, 4096], [900, 0]], self::points(self::own('note-point', ['at' => 500], $curve)));
        self::assertSame([[0, 0]], self::points(self::own('note-point', [])));
        self::assertSame([[0, 64]], self::points(self::own('note-point', ['lane' => 'cc:11']), 'cc:11'));
        // Past the end of the note it stands at its end.
        self::assertSame([[1920, 0]], self::points(self::own('note-point', ['at' => 5000])));
    }

    /** A part of two notes with a bend each, of the lane and of its own, and a range of two semitones. */
    private static function bent(): Score
    {
        $part = Part::of(1, 'Vibes', [new Note(1, 0, 960, 60, 80, own: '{"bend":[[0,8191]],"cc:11":[[0,5]]}'), new Note(2, 0, 960, 62, 80)], [new Point(1, 480, 0xE0, 0, 96)]);

        return new Score(Timeline::of(960), [1 => $part], [1 => new Track(1, 'Vibes', 0)], 2, 2);
    }

    public function test_a_wider_bend_range_leaves_what_is_heard(): void
    {
        $score = self::bent();
        $outcome = Batch::once(['edit' => 'set-bend-range', 'params' => ['semitones' => 8], 'on' => ['part' => 1, 'notes' => []]], $score);
        $after = $outcome->change->applyTo($score)->part(1);

        self::assertSame('The bend range of “Vibes” is 8 semitones.', $outcome->said);
        self::assertSame(800, BendRange::ofPart($after, 0));
        self::assertSame('{"bend":[[0,2048]],"cc:11":[[0,5]]}', $after->note(1)->own);
        self::assertSame(1024, Lane::parse('bend')->value($after->points[1]));
        self::assertSame(200, BendRange::ofPart($score->part(1), 0));
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($outcome->change->applyTo($score))));
        // Set once more there is one range, not two.
        $wide = $outcome->change->applyTo($score);
        $again = Batch::once(['edit' => 'set-bend-range', 'params' => ['semitones' => 4], 'on' => ['part' => 1, 'notes' => []]], $wide)->change->applyTo($wide)->part(1);
        self::assertSame([400, 2], [BendRange::ofPart($again, 0), count(BendRange::points($again, 0))]);
        self::assertSame(2048, Lane::parse('bend')->value($again->points[1]));
    }

    public function test_a_range_that_what_is_bent_does_not_fit_is_refused(): void
    {
        $this->expectExceptionMessage('A bend that is there goes further than 1 semitone:');
        Batch::once(['edit' => 'set-bend-range', 'params' => ['semitones' => 1], 'on' => ['part' => 1, 'notes' => []]], self::bent());
    }

    public function test_cents_are_said_in_semitones(): void
    {
        self::assertSame(['+2 semitones', '−1 semitone 50 cents', '+1 cent', '0 cents', '−30 cents'], array_map(NoteCurve::words(...), [200, -150, 1, 0, -30]));
    }

    public function test_cleared_by_lane_or_whole(): void
    {
        $both = '{"bend":[[0,5]],"cc:11":[[0,9]]}';
        self::assertSame('{"cc:11":[[0,9]]}', self::own('note-clear', ['lane' => 'bend'], $both));
        self::assertSame('', self::own('note-clear', [], $both));
    }

    /** @param  array<string, mixed>  $params */
    #[DataProvider('bad')]
    public function test_what_cannot_be_is_refused_with_a_sentence(string $edit, array $params, string $words, int $channel = 0): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($words);
        self::own($edit, $params, '', $channel);
    }

    /** @return iterable<string, array{0: string, 1: array<string, mixed>, 2: string, 3?: int}> */
    public static function bad(): iterable
    {
        yield 'a value out of range' => ['note-draw', ['lane' => 'cc:11', 'points' => [[0, 200]]], 'a value from 0 to 127'];
        yield 'a lane that is the track’s' => ['note-draw', ['lane' => 'program', 'points' => [[0, 20]]], 'belong to the whole track'];
        yield 'a lane that there is not' => ['note-draw', ['lane' => 'cc:150', 'points' => [[0, 20]]], 'cc:0 to cc:119'];
        yield 'a line backwards' => ['note-line', ['from' => 50, 'to' => 50], 'above from'];
        yield 'a bend beyond the range' => ['note-line', ['low' => -300], 'A bend of −3 semitones does not fit: the bend range of “Vibes” is 2 semitones.'];
        yield 'a vibrato beyond the range' => ['note-shape', ['depth' => 250], 'the bend range of “Vibes” is 2 semitones'];
        yield 'a point beyond the range' => ['note-point', ['value' => 201], 'A bend of +2 semitones 1 cent does not fit'];
        yield 'drums' => ['note-shape', [], 'All drums share one channel', 9];
        yield 'no set' => ['articulate', ['number' => 1], 'no set of articulations yet'];
    }

    public function test_articulations_are_given_by_number_and_name_and_chosen_by(): void
    {
        $score = Make::take(1);
        $on = ['part' => 1, 'notes' => [1, 2]];
        $outcome = Batch::once(['edit' => 'articulate', 'params' => ['name' => 'harmonics'], 'on' => $on], $score);
        self::assertSame('2 notes: “Harmonics”.', $outcome->said);
        $after = $outcome->change->applyTo($score);
        $picked = TargetReader::read(['part' => 1, 'pick' => ['articulation' => 3]], $after)->notes[1] ?? [];
        sort($picked);
        self::assertSame([1, 2], $picked);
        $alike = SelectionCommands::apply('same-articulation', TargetReader::read(['part' => 1, 'notes' => [2]], $after), $after)->notes[1] ?? [];
        sort($alike);
        self::assertSame([1, 2], $alike);
        $this->expectExceptionMessage('0 to 4');
        Batch::once(['edit' => 'articulate', 'params' => ['number' => 9], 'on' => $on], $score);
    }
}

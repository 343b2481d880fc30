<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** Lanes go along with notes that are repeated, cut, copied and pasted. 960 ticks a quarter; a bar is 3840. */
final class LanesUnderNotesTest extends TestCase
{
    /** Two notes in the first bar with a pedal under them, held before they begin; one in the second bar. */
    private static function score(string $lanes = 'along'): Score
    {
        $notes = [new Note(1, 960, 960, 60, 80), new Note(2, 1920, 960, 64, 80), new Note(3, 3840, 960, 67, 80)];
        $points = [new Point(1, 0, 0xC0, 4), new Point(2, 480, 0xB0, 64, 127), new Point(3, 1920, 0xB0, 64, 0), new Point(4, 2000, 0xB0, 11, 50), new Point(5, 2800, 0xE0, 0, 80)];

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Part', $notes, $points, PartSettings::fresh()->changed(['lanes' => $lanes]))], [1 => new Track(1, 'Track', 0)], 2, 2);
    }

    /** @return list<array{int, string, int}> tick, lane and value */
    private static function points(Score $score): array
    {
        $all = array_values(array_map(static fn (Point $p): array => [$p->tick, Lane::of($p)->name, Lane::of($p)->value($p)], $score->part(1)->points->all()));
        sort($all);

        return $all;
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  list<int>  $ids
     */
    private static function after(Score $score, string $edit, array $params, array $ids): Score
    {
        $outcome = Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['part' => 1, 'notes' => $ids]], $score);
        $after = $outcome->change->applyTo($score);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)), "$edit undone");

        return $after;
    }

    public function test_a_repeat_takes_what_lies_under_it_along_with_what_holds_where_it_begins(): void
    {
        $after = self::after(self::score(), 'repeat', ['every' => 'bars'], [1, 2]);
        self::assertSame([
            [0, 'program', 4], [480, 'cc:64', 127], [1920, 'cc:64', 0], [2000, 'cc:11', 50], [2800, 'bend', 2048],
            [4800, 'cc:64', 127], [5760, 'cc:64', 0], [5840, 'cc:11', 50], [6640, 'bend', 2048],
        ], array_values(array_filter(self::points($after), static fn (array $p): bool => $p[1] !== 'bend' || $p[2] !== 0)));
        self::assertContains([4800, 'bend', 0], self::points($after), 'straight, as it was');
    }

    public function test_what_lets_go_where_they_end_goes_along_when_they_move(): void
    {
        $notes = [new Note(1, 960, 960, 60, 80), new Note(2, 3840, 960, 64, 80)];
        $points = [new Point(1, 960, 0xB0, 64, 127), new Point(2, 1920, 0xB0, 64, 0), new Point(3, 1920, 0xB0, 11, 70), new Point(4, 1920, 0xB0, 66, 0)];
        $score = new Score(Timeline::of(960), [1 => Part::of(1, 'Part', $notes, $points, PartSettings::fresh()->changed(['lanes' => 'along', 'grid' => '1/4']))], [1 => new Track(1, 'Track', 0)], 2, 2);
        // Another pedal was not pressed among them, and what only sets a value there belongs to what comes after.
        self::assertSame([[1920, 'cc:11', 70], [1920, 'cc:64', 127], [1920, 'cc:66', 0], [2880, 'cc:64', 0]], self::points(self::after($score, 'nudge', ['steps' => 1, 'by' => ['unit' => 'grid', 'amount' => 1]], [1])));
    }

    public function test_where_it_says_so_or_another_note_sounds_there_they_stay(): void
    {
        self::assertSame(self::points(self::score()), self::points(self::after(self::score('stay'), 'repeat', ['every' => 'bars'], [1, 2])));
        $chord = self::score();
        $with = Batch::once(['edit' => 'insert', 'on' => ['part' => 1, 'notes' => []], 'params' => ['notes' => [['start' => 960, 'length' => 2000, 'pitch' => 48]]]], $chord)->change->applyTo($chord);
        self::assertSame(self::points($chord), self::points(self::after($with, 'repeat', ['every' => 'bars'], [1, 2])), 'a note of the chord leaves the pedal where it is');
        self::assertSame(self::points($chord), self::points(self::after($with, 'nudge', [], [1])));
    }

    public function test_deleted_and_cut_they_leave_nothing_hanging(): void
    {
        // The pedal was pressed before them and let go among them: it is let go where they began.
        $after = self::points(self::after(self::score(), 'delete', [], [1, 2]));
        self::assertContains([960, 'cc:64', 0], $after);
        self::assertSame([[0, 'program', 4], [480, 'cc:64', 127], [960, 'cc:64', 0]], $after);
        $cut = self::score();
        $outcome = Batch::once(['edit' => 'cut-span', 'on' => ['part' => 1, 'notes' => []], 'params' => ['from' => 960, 'to' => 3840]], $cut);
        self::assertSame($after, self::points($outcome->change->applyTo($cut)));
        self::assertCount(5, self::points(self::after(self::score('stay'), 'delete', [], [1, 2])));
    }

    public function test_copied_and_pasted_they_come_to_the_same_place_under_the_notes(): void
    {
        $score = self::score();
        $clip = Readings::read('clip', [], $score, TargetReader::read(['part' => 1, 'notes' => [1, 2]], $score), Context::read(null));
        self::assertIsArray($clip['notes']);
        self::assertEquals((object) ['bend' => [[960, 0], [2800, 2048]], 'cc:11' => [[2000, 50]], 'cc:64' => [[960, 127], [1920, 0]]], $clip['points']);
        $outcome = Batch::once(['edit' => 'insert', 'on' => ['part' => 1, 'notes' => []], 'params' => ['notes' => $clip['notes'], 'points' => (array) $clip['points'], 'at' => 7680, 'anchor' => $clip['anchor']]], $score);
        $after = self::points($outcome->change->applyTo($score));
        self::assertContains([7680, 'cc:64', 127], $after);
        self::assertContains([8640, 'cc:64', 0], $after);
        self::assertContains([9520, 'bend', 2048], $after);
    }
}

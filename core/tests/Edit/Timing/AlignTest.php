<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\RowSet;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** Lining up with other parts, moving by the rows that are shown, and the playing as a picture. */
final class AlignTest extends TestCase
{
    private static function score(): Score
    {
        $bass = [new Note(1, 20, 400, 36, 80), new Note(2, 990, 400, 38, 80), new Note(3, 2400, 400, 40, 80)];
        $kick = [new Note(1, 0, 100, 36, 100, channel: 9), new Note(2, 960, 100, 36, 100, channel: 9), new Note(3, 1920, 100, 36, 100, muted: true, channel: 9)];

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Bass', $bass, [], PartSettings::fresh()), 2 => Part::of(2, 'Kick', $kick, [], PartSettings::fresh())], [1 => new Track(1, 'T', 0)], 3, 2);
    }

    /** @param  array<string, mixed>  $params */
    private static function done(array $params, string $edit = 'align-to-parts'): Score
    {
        $score = self::score();

        return Batch::once(['edit' => $edit, 'params' => $params, 'on' => ['part' => 1, 'pick' => ['all' => true]]], $score)->change->applyTo($score);
    }

    public function test_starts_go_to_the_nearest_starts_there_as_far_as_the_strength_says(): void
    {
        self::assertSame([0, 960, 2400], Make::starts(self::done(['parts' => [2]])));
        self::assertSame([10, 975, 2400], Make::starts(self::done(['parts' => [2], 'strength' => 50])));
        // The drift remembers where they were played.
        self::assertSame([20, 990], array_map(static fn (Note $n): int => $n->playedStart(), array_slice(self::done(['parts' => [2]])->part(1)->inOrder(), 0, 2)));
        self::assertSame([20, 990, 2400], Make::starts(self::done(['parts' => [2], 'within' => 5])));
    }

    public function test_the_group_goes_to_the_next_or_previous_start_in_its_shape(): void
    {
        self::assertSame([960, 1930, 3340], Make::starts(self::done(['parts' => [2], 'toward' => 'next'])));
        self::assertSame([0, 970, 2380], Make::starts(self::done(['parts' => [2], 'toward' => 'previous'])));
    }

    public function test_parts_that_are_not_there_are_named(): void
    {
        foreach ([['parts' => [7]], ['parts' => []], ['parts' => ['kick']], []] as $bad) {
            try {
                self::done($bad);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertContains($refusal->parameter, ['parts', 'part']);
            }
        }
    }

    public function test_notes_go_by_the_rows_that_are_shown(): void
    {
        $rows = ['rows' => [36, 40, 47, 38]];
        self::assertSame([40, 36, 47], Make::pitches(self::done(['steps' => 1] + ['rows' => [38, 36, 40, 47]], 'step-in-rows')));
        // From a row that is not shown, the nearest that way counts as one.
        self::assertSame([40, 40, 47], Make::pitches(self::done(['rows' => [36, 40, 47]], 'step-in-rows')));
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('past the last row');
        self::done(['steps' => 1] + $rows, 'step-in-rows');
    }

    public function test_the_playing_is_told_note_by_note(): void
    {
        $read = Readings::read('playing', [], self::score(), new Selection([1 => [1, 2]]));

        self::assertSame([[1, 0.0, 10.42, 80], [2, 0.25, 15.63, 80]], $read['notes']);
        self::assertSame('2 notes: 13 ms late on average, 2.6 ms loose, velocity 80 to 80.', $read['said']);
        self::assertSame([], Readings::read('playing', [], Make::score([]), new Selection([1 => []]))['notes']);
    }

    public function test_names_of_rows_are_read_and_bad_ones_say_why(): void
    {
        $set = RowSet::read(['kind' => 'rows', 'names' => [36 => ' Kick ', 38 => ''], 'order' => [38, 36, 38]]);
        self::assertSame([36 => 'Kick'], $set->names);
        self::assertSame([38, 36], $set->order);
        foreach ([null, 'rows', ['names' => 'Kick'], ['names' => [200 => 'x']], ['names' => [36 => str_repeat('x', 41)]], ['order' => ['a']], ['colour' => 1], ['kind' => 'groove']] as $bad) {
            try {
                RowSet::read($bad);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertStringStartsWith('rows', (string) $refusal->parameter);
            }
        }
    }

    public function test_a_walk_goes_on_where_something_is_chosen(): void
    {
        $score = self::score();
        $walk = static fn (array $on): array => Batch::once(['select' => 'next', 'on' => $on, 'context' => ['caret' => 0]], $score)->selection->notes;

        self::assertSame([1 => [], 2 => [2]], $walk([['part' => 1, 'notes' => []], ['part' => 2, 'notes' => [1]]]));
        self::assertSame([1 => [1], 2 => []], $walk([['part' => 1, 'notes' => []], ['part' => 2, 'notes' => []]]));
    }
}

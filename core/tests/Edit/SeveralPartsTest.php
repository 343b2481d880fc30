<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** One command on several parts, each with its own grid. */
final class SeveralPartsTest extends TestCase
{
    private const BOTH = [['part' => 1, 'pick' => ['all' => true]], ['part' => 2, 'pick' => ['all' => true]]];

    private static function score(): Score
    {
        $part = static fn (int $id, string $grid, int $pitch): Part => Part::of($id, "Part $id",
            [new Note(1, 100, 100, $pitch, 80), new Note(2, 350, 100, $pitch + 1, 90)], [], PartSettings::fromArray(['grid' => $grid]));

        return new Score(Timeline::of(960), [1 => $part(1, '1/16', 60), 2 => $part(2, '1/8T', 126)]);
    }

    /** @return array<int, list<int>> */
    private static function starts(Score $score): array
    {
        return array_map(static fn (Part $p): array => array_values(array_map(static fn (Note $n): int => $n->start, $p->notes->all())), $score->parts);
    }

    public function test_each_part_is_quantized_to_its_own_grid(): void
    {
        $outcome = Batch::once(['edit' => 'quantize', 'on' => self::BOTH], self::score());

        self::assertSame([1 => [0, 240], 2 => [0, 320]], self::starts($outcome->change->applyTo(self::score())));
        self::assertStringStartsWith('4 notes quantized to 1/16, 1/8T: 4 moved', $outcome->said);
    }

    public function test_undone_every_part_is_as_it_was(): void
    {
        $score = self::score();
        foreach (['quantize' => [], 'nudge' => ['steps' => 3], 'delete' => [], 'mute' => ['state' => 'on']] as $edit => $params) {
            $change = Batch::once(['edit' => $edit, 'on' => self::BOTH, 'params' => $params], $score)->change;
            $back = $change->inverse()->applyTo($change->applyTo($score));
            foreach ([1, 2] as $id) {
                self::assertSame($score->part($id)->notes->bytes(), $back->part($id)->notes->bytes(), "$edit, part $id");
            }
        }
    }

    public function test_a_refusal_in_one_part_stops_all(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('Nothing moved.');
        Batch::once(['edit' => 'transpose', 'on' => self::BOTH, 'params' => ['semitones' => 2]], self::score());
    }

    public function test_a_cell_is_measured_once_and_all_parts_move_by_their_own(): void
    {
        $after = Batch::once(['edit' => 'nudge', 'on' => self::BOTH], self::score())->change->applyTo(self::score());

        self::assertSame([1 => [340, 590], 2 => [420, 670]], self::starts($after));
    }

    public function test_what_one_command_chooses_the_next_works_on(): void
    {
        $score = self::score();
        $chosen = Batch::once(['select' => 'row', 'on' => [['part' => 1, 'notes' => [2]], ['part' => 2, 'notes' => [1]]]], $score);
        $after = Batch::once(['edit' => 'velocity-set', 'params' => ['value' => 7]], $score, $chosen->selection);

        self::assertTrue($chosen->change->isEmpty());
        self::assertSame([1 => [2], 2 => [1]], $chosen->selection->notes);
        self::assertSame([1 => [2], 2 => [1]], array_map(static fn ($p): array => array_keys($p->notes->after()), $after->change->parts));
        self::assertSame('2 notes at velocity 7.', $after->said);
    }

    public function test_where_notes_of_one_part_are_chosen_no_others_are_meant_in_the_other(): void
    {
        $score = self::score();
        $on = [['part' => 1, 'notes' => [2]], ['part' => 2, 'notes' => []]];
        $cut = Batch::once(['edit' => 'cut-span', 'on' => $on, 'params' => ['from' => 0, 'to' => 960]], $score);
        self::assertSame([1], array_keys($cut->change->parts));
        self::assertSame([1 => [100], 2 => [100, 350]], self::starts($cut->change->applyTo($score)));
        $copy = Batch::once(['edit' => 'copy-span', 'on' => $on, 'params' => ['from' => 0, 'to' => 960]], $score);
        self::assertSame([1 => [100, 350, 1310], 2 => [100, 350]], self::starts($copy->change->applyTo($score)));
        foreach (['row', 'chord', 'bar', 'group', 'top-voices', 'first-chords', 'changes', 'same-place', 'same-length', 'same-articulation', 'softer', 'louder', 'every-second', 'next', 'higher'] as $move) {
            $chosen = Batch::once(['select' => $move, 'on' => $on, 'context' => ['caret' => ['tick' => 100, 'pitch' => 126]]], $score)->selection;
            self::assertSame([], $chosen->notes[2], $move);
        }
        // With none selected anywhere, all are meant, in both.
        $none = [['part' => 1, 'notes' => []], ['part' => 2, 'notes' => []]];
        self::assertSame([1 => [], 2 => []], self::starts(Batch::once(['edit' => 'cut-span', 'on' => $none, 'params' => ['from' => 0, 'to' => 960]], $score)->change->applyTo($score)));
        self::assertSame([1 => [1], 2 => [1]], Batch::once(['select' => 'every-second', 'on' => $none], $score)->selection->notes);
    }

    public function test_what_is_looked_at_is_what_is_chosen_in_whichever_part(): void
    {
        $score = self::score();
        $on = TargetReader::read([['part' => 1, 'notes' => []], ['part' => 2, 'notes' => [2]]], $score);
        self::assertSame([90], array_column((array) Readings::read('clip', [], $score, $on)['notes'], 'velocity'));
        self::assertSame([2], array_column((array) Readings::read('playing', [], $score, $on)['notes'], 0));
        self::assertStringContainsString('1 note', (string) json_encode(Readings::read('grid-reading', [], $score, $on)));
    }

    public function test_notes_that_stand_for_their_track_or_part_stay_selected(): void
    {
        foreach (['track-duplicate', 'part-repeat', 'part-split', 'part-merge'] as $edit) {
            $score = new Score(Timeline::of(960), self::score()->parts, [1 => new Track(1, 'Part', 0)], 3, 2);
            $batch = new Batch($score, chosen: new Selection([1 => [1, 2]]), context: new Context(200));
            $batch->run(['select' => 'every-second']);
            $batch->run(['edit' => $edit]);
            self::assertSame([1 => [1]], $batch->chosen->notes ?? null, $edit);
        }
    }

    public function test_where_parts_are_selected_those_made_of_them_are_then(): void
    {
        $score = new Score(Timeline::of(960), self::score()->parts, [1 => new Track(1, 'Part', 0)], 3, 2);
        $batch = new Batch($score, chosen: new Selection(parts: [1, 2]));
        $batch->run(['edit' => 'as-played']);
        $batch->run(['edit' => 'track-duplicate']);
        self::assertSame([3, 4], $batch->chosen->parts ?? null);
    }

    public function test_of_notes_that_stood_for_a_part_those_that_went_are_not_selected(): void
    {
        $batch = new Batch(self::score(), chosen: new Selection([1 => [1, 2], 2 => [1]]));
        $batch->run(['edit' => 'part-delete', 'on' => [['part' => 2, 'notes' => [1]]]]);
        self::assertSame([], $batch->chosen->notes ?? null);
    }
}

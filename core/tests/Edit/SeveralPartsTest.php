<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
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
        self::assertStringStartsWith('4 notes to 1/16, 1/8T: 4 moved', $outcome->said);
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
}

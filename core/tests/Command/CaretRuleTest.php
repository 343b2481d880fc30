<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Command;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where the caret comes to by commands, one after another. */
final class CaretRuleTest extends TestCase
{
    private static function score(): Score
    {
        return Make::score([[0, 400, 60], [20, 400, 64], [960, 400, 62], [1930, 400, 67], [2880, 400, 60]], ['grid' => '1/8']);
    }

    /** @return iterable<string, array{list<int>, list<array<string, mixed>>, array{int, int}|null}> selected before, commands, caret */
    public static function work(): iterable
    {
        $on = static fn (int ...$ids): array => ['part' => 1, 'notes' => $ids];
        yield 'walking' => [[3], [['select' => 'next']], [1930, 67]];
        yield 'walking twice' => [[3], [['select' => 'next'], ['select' => 'next']], [2880, 60]];
        yield 'from nothing' => [[], [['select' => 'next']], [960, 62]];
        yield 'taking in' => [[3], [['select' => 'grow-next']], [1930, 67]];
        yield 'what walking leaves selected' => [[3, 4], [['select' => 'next']], [2880, 60]];
        yield 'all' => [[4], [['select' => 'all']], null];
        yield 'a row' => [[4], [['select' => 'row']], null];
        yield 'by a condition' => [[4], [['select' => ['pitch' => ['max' => 62]]]], null];
        yield 'nothing selected any more' => [[4], [['select' => 'none']], null];
        yield 'what was deleted leaves its place' => [[4, 3], [['edit' => 'delete']], [960, 62]];
        yield 'and walking goes on from there' => [[3], [['edit' => 'delete'], ['select' => 'next']], [1930, 67]];
        yield 'not along with the note it stands on' => [[5], [['select' => 'previous'], ['edit' => 'nudge', 'params' => ['by' => ['unit' => 'ticks', 'amount' => 7]]], ['edit' => 'transpose', 'params' => ['semitones' => -2]]], [1930, 67]];
        yield 'inserting' => [[], [['edit' => 'insert', 'params' => ['notes' => [['start' => 500, 'length' => 9, 'pitch' => 70]]], 'on' => $on()]], [500, 70]];
        yield 'copies' => [[3], [['edit' => 'repeat']], [1440, 62]];
        yield 'not with pieces' => [[3], [['edit' => 'split', 'params' => ['at' => 1100]]], null];
        yield 'a setting' => [[3], [['set' => ['grid' => '1/4']]], null];
        yield 'with no notes touched' => [[3], [['edit' => 'velocity-add', 'params' => ['amount' => 3]]], null];
    }

    /**
     * @param  list<int>  $chosen
     * @param  list<array<string, mixed>>  $commands
     * @param  array{int, int}|null  $expected
     */
    #[DataProvider('work')]
    public function test_the_caret_goes_with_the_work(array $chosen, array $commands, ?array $expected): void
    {
        $batch = new Batch(self::score(), chosen: new Selection([1 => $chosen]), context: new Context(500, 50));
        foreach ($commands as $command) {
            $batch->run($command);
        }
        self::assertSame($expected, $batch->at);
    }

    public function test_what_comes_after_finds_the_caret_where_it_went(): void
    {
        $batch = new Batch(self::score(), chosen: new Selection([1 => [3]]), context: new Context(0, 50));
        $batch->run(['select' => 'next']);
        $batch->run(['edit' => 'split', 'on' => ['part' => 1, 'notes' => [4]], 'params' => ['at' => 'caret'], 'context' => ['caret' => 2000]]);
        self::assertSame([1930, 2000], array_values(array_filter($batch->score->part(1)->notes->column('start'), static fn (mixed $s): bool => $s > 1000 && $s < 2500)));
        $batch->run(['edit' => 'move-to', 'on' => ['part' => 1, 'notes' => [5]], 'params' => ['tick' => 'caret']]);
        self::assertSame(2000, $batch->score->part(1)->notes[5]->start);
    }

    public function test_where_there_is_no_caret_none_goes_anywhere(): void
    {
        $batch = new Batch(self::score(), chosen: new Selection([1 => [3]]));
        $batch->run(['select' => 'next']);
        self::assertNull($batch->at);
    }
}

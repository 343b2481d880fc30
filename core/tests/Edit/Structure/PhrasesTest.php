<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A phrase turned round, made slower and faster; runs of notes. */
final class PhrasesTest extends TestCase
{
    public function test_reversed_ends_become_starts_within_the_same_stretch(): void
    {
        $score = Make::score([[100, 200, 60], [400, 50, 62], [500, 400, 64]]);
        $outcome = Make::edit($score, 'reverse');

        self::assertSame([[700, 550, 100], [200, 50, 400]], [Make::starts($after = $outcome->change->applyTo($score)), Make::lengths($after)]);
        self::assertSame('3 notes reversed.', $outcome->said);
        self::assertSame(Make::bytes($score), Make::bytes(Make::after($after, 'reverse')), 'turned round twice it is as it was');
    }

    #[TestWith([2, [100, 700, 1100], [400, 100, 200]])]
    #[TestWith(['1/2', [100, 250, 350], [100, 25, 50]])]
    #[TestWith(['2/3', [100, 300, 433], [133, 33, 67]])]
    /**
     * @param  list<int>  $starts
     * @param  list<int>  $lengths
     */
    public function test_stretched_from_where_it_starts(mixed $factor, array $starts, array $lengths): void
    {
        $after = Make::after(Make::score([[100, 200, 60], [400, 50, 62], [600, 100, 64]]), 'stretch', ['factor' => $factor]);

        self::assertSame([$starts, $lengths], [Make::starts($after), Make::lengths($after)]);
    }

    public function test_stretched_and_back_nothing_is_lost_and_the_feel_goes_along(): void
    {
        $score = Make::after(Make::score([[103, 200, 60], [411, 51, 62], [607, 97, 64]]), 'quantize', ['grid' => '1/16']);
        $there = Make::after($score, 'stretch', ['factor' => '2/3']);
        self::assertSame(Make::starts($score), Make::starts(Make::after($there, 'stretch', ['factor' => '3/2'])));
        $slow = Make::after($score, 'stretch', ['factor' => 2]);
        $drift = static fn (\Jactonic\Core\Score\Score $s): array => $s->part(1)->notes->column('driftStart');
        self::assertSame(array_map(static fn (mixed $d): int => 2 * (is_int($d) ? $d : 0), $drift($score)), $drift($slow));
        self::assertSame([1], Make::lengths(Make::after(Make::score([[0, 10, 60]]), 'stretch', ['factor' => '1/64'])));
        foreach ([0, '1/0', 'half', 65, [2]] as $wrong) {
            try {
                Make::edit($score, 'stretch', ['factor' => $wrong]);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertStringContainsString('fraction', $refusal->getMessage());
            }
        }
    }

    public function test_a_run_fills_the_bar_of_the_caret_on_its_row(): void
    {
        $score = Make::score([[4800, 100, 42, 33], [4900, 100, 42]], ['grid' => '1/8', 'penVelocity' => 60]);
        $outcome = Batch::once(['edit' => 'insert-run', 'params' => ['rise' => 70], 'on' => ['part' => 1, 'notes' => []], 'context' => ['caret' => ['tick' => 5000, 'pitch' => 42]]], $score);
        $run = $outcome->change->parts[1]->notes->after();

        self::assertSame([3840, 4320, 5280, 5760, 6240, 6720, 7200], array_values(array_map(static fn ($n): int => $n->start, $run)));
        self::assertSame([480], array_values(array_unique(array_map(static fn ($n): int => $n->length, $run))));
        self::assertSame([60, 70, 90, 100, 110, 120, 127], array_values(array_map(static fn ($n): int => $n->velocity, $run)));
        self::assertSame('7 notes of F♯2 inserted; 1 was there already.', $outcome->said);
    }

    public function test_a_run_of_too_many_and_one_of_none(): void
    {
        $score = Make::score([], ['grid' => '1/128']);
        self::assertSame('0 notes of C4 inserted.', Make::edit($score, 'insert-run', ['pitch' => 60, 'from' => 10, 'to' => 10])->said);
        $this->expectExceptionMessage('more than 4096 notes');
        Make::edit($score, 'insert-run', ['pitch' => 60, 'from' => 0, 'to' => 9_000_000]);
    }
}

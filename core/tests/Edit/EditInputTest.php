<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Param\Params;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is done to many notes by their columns is what a note does to itself. */
final class EditInputTest extends TestCase
{
    /** @return iterable<string, array{int, list<int>}> */
    public static function choices(): iterable
    {
        foreach ([1, 2, 3] as $seed) {
            yield "all, take $seed" => [$seed, range(1, 130)];
            yield "some, take $seed" => [$seed, range(2, 130, 2)];
            yield "a few in any order, take $seed" => [$seed, [77, 4, 12]];
        }
    }

    /** @param  list<int>  $ids */
    #[DataProvider('choices')]
    public function test_moved(int $seed, array $ids): void
    {
        // Thrice: the fractions are carried on.
        self::thrice($seed, $ids, static fn (EditInput $input, ChangeBuilder $builder) => $input->moveNotes($builder, $input->part(), static fn (float $place): float => $place + 10.3),
            static fn (Note $note): Note => $note->movedTo($note->start + $note->carryStart + 10.3));
    }

    /** @param  list<int>  $ids */
    #[DataProvider('choices')]
    public function test_given_other_edges(int $seed, array $ids): void
    {
        $edges = static fn (int $start, int $length): array => $start % 3 === 0 ? [$start, $length] : [$start + 7, 1 + intdiv($length, 2)];
        self::thrice($seed, $ids, static function (EditInput $input, ChangeBuilder $builder) use ($edges): void {
            $ids = $input->ids($input->part());
            $pairs = array_map($edges, $input->part()->notes->integers('start', $ids), $input->part()->notes->integers('length', $ids));
            $input->retime($builder, $input->part(), array_column($pairs, 0), array_column($pairs, 1));
        }, static fn (Note $note): Note => $edges($note->start, $note->length) === [$note->start, $note->length] ? $note : $note->retimed(...$edges($note->start, $note->length)));
    }

    /** @param  list<int>  $ids */
    #[DataProvider('choices')]
    public function test_made_longer_the_fractions_are_carried(int $seed, array $ids): void
    {
        self::thrice($seed, $ids, static fn (EditInput $input, ChangeBuilder $builder) => $input->resize($builder, $input->part(), static fn (float $start, float $length): array => [$start - 0.25, $length * 1.01]), static function (Note $note): Note {
            [$start, $carryStart] = Note::split($note->start + $note->carryStart - 0.25);
            [$length, $carryLength] = Note::split(($note->length + $note->carryLength) * 1.01);

            return $note->retimed($start, $length)->with(['carryStart' => $carryStart, 'carryLength' => $carryLength]);
        });
    }

    public function test_the_stretch_is_from_the_first_start_to_the_last_end(): void
    {
        $score = Make::score([[100, 50, 60], [40, 20, 62], [90, 300, 64], [10, 5, 65]]);
        $input = new EditInput($score, new Selection([1 => [3, 1, 2]]), Params::read([], [], 'none'));
        self::assertSame([[40.0, 390.0], 40.0, 40.0], [$input->stretch(), $input->firstStart(), $input->firstPlace()]);
        self::assertSame([1, 2, 3], $input->ids($score->part(1)));
    }

    /**
     * @param  list<int>  $ids
     * @param  \Closure(EditInput, ChangeBuilder): mixed  $byColumns
     * @param  \Closure(Note): Note  $byItself
     */
    private static function thrice(int $seed, array $ids, \Closure $byColumns, \Closure $byItself): void
    {
        $one = $other = Make::take($seed, 130);
        for ($i = 0; $i < 3; $i++) {
            $builder = new ChangeBuilder;
            $byColumns(new EditInput($one, new Selection([1 => $ids]), Params::read([], [], 'none')), $builder);
            $one = $builder->change()->applyTo($one);
            $builder = new ChangeBuilder;
            foreach ($ids as $id) {
                $builder->put($other->part(1), $byItself($other->part(1)->notes[$id]));
            }
            $other = $builder->change()->applyTo($other);
            self::assertSame(Make::bytes($other), Make::bytes($one));
        }
    }
}

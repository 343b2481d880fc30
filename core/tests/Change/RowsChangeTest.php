<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Change;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Edit\CollisionCheck;
use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A change made of columns is the change that is made note by note: as it is kept, applied, turned round, and with another. */
final class RowsChangeTest extends TestCase
{
    /** @return iterable<string, array{int, int}> seed, and every how many notes one is changed */
    public static function some(): iterable
    {
        foreach (range(1, 8) as $seed) {
            foreach ([1, 2, 7, 50] as $every) {
                yield "seed $seed, every $every" => [$seed, $every];
            }
        }
    }

    #[DataProvider('some')]
    public function test_by_columns_it_is_what_it_is_one_by_one(int $seed, int $every): void
    {
        $score = Make::take($seed, 130);
        [$columns, $single] = self::both($score, $every, $seed);
        self::same($columns, $single, $score);

        // Another after it, on the same notes and on others.
        $after = $columns->applyTo($score);
        foreach ([$every, $every + 1] as $next) {
            [$then, $thenSingle] = self::both($after, $next, $seed + 100);
            self::same($columns->then($then), $single->then($thenSingle), $score, false);
            self::same($columns->then($thenSingle), $single->then($then), $score, false);
        }
    }

    public function test_what_is_as_it_was_is_left_out_and_a_note_without_an_end_gets_one(): void
    {
        $score = Make::take(1, 130);
        $part = $score->part(1);
        $ids = $part->notes->ids();
        $pitches = $part->notes->integers('pitch');
        $pitches[4] = 1 + $pitches[4] % 100;
        $builder = new ChangeBuilder;
        $builder->columns($part, $ids, ['pitch' => $pitches]);
        self::assertSame([5], $builder->change()->parts[1]->notes->touched());

        // Every eleventh has no end in its file.
        $builder = new ChangeBuilder;
        $builder->columns($part, $ids, ['velocity' => array_fill(0, 130, 0)]);
        $after = $builder->change()->applyTo($score)->part(1);
        self::assertSame([Note::RELEASE_NONE, Note::RELEASE], [$part->notes[55]->release, $after->notes[55]->release]);

        $builder = new ChangeBuilder;
        $builder->columns($part, [11, 22], ['pitch' => $part->notes->integers('pitch', [11, 22])]);
        self::assertTrue($builder->change()->isEmpty());
    }

    public function test_single_things_put_besides_columns_are_part_of_the_same_change(): void
    {
        $score = Make::take(2, 130);
        $part = $score->part(1);
        $loud = array_fill(0, 130, 127);
        foreach ([true, false] as $first) {
            $builder = new ChangeBuilder;
            if ($first) {
                $builder->columns($part, $part->notes->ids(), ['velocity' => $loud]);
            }
            $builder->drop($part, $part->notes[3]);
            $builder->put($part, $part->notes[4]->withPitch(1));
            $builder->putPoint($part, $part->points[2]->movedTo(77));
            if (! $first) {
                $builder->columns($part, array_slice($part->notes->ids(), 4), ['velocity' => array_slice($loud, 4)]);
            }
            $notes = $builder->change()->applyTo($score)->part(1)->notes;
            self::assertSame([129, 1], [count($notes), $notes[4]->pitch]);
            self::assertSame([127], array_values(array_unique($notes->integers('velocity', range(5, 130)))));
            self::assertSame(77, $builder->change()->applyTo($score)->part(1)->points[2]->tick);
            self::assertSame(Make::bytes($score), Make::bytes($builder->change()->inverse()->applyTo($builder->change()->applyTo($score))));
        }
    }

    public function test_a_step_of_before_ids_were_kept_in_order_is_read(): void
    {
        $score = Make::take(3, 130);
        $notes = $score->part(1)->notes;
        $ids = range(90, 31);
        $now = array_map(static fn (int $id): int => $notes[$id]->pitch, $ids);
        $then = array_map(static fn (int $pitch): int => $pitch - 5, $now);
        $after = ChangeCodec::decode((string) json_encode(['1' => ['ids' => $ids, 'columns' => ['pitch' => [$then, $now]]]]), $score, true)->inverse()->applyTo($score);
        self::assertSame(array_map(static fn (int $id): int => $notes[$id]->pitch - 5, range(31, 90)), $after->part(1)->notes->integers('pitch', range(31, 90)));
        self::assertSame($notes->integers('pitch', range(1, 30)), $after->part(1)->notes->integers('pitch', range(1, 30)));
    }

    public function test_ids_in_few_words_are_the_same_ids(): void
    {
        foreach ([[], [4], [4, 5], [1, 2, 3], [1, 3, 4, 5, 9, 10, 12, 13, 14], [5, 4, 3, 4, 5, 6]] as $ids) {
            self::assertSame($ids, Ids::spread(Ids::runs($ids)));
        }
        self::assertSame([1, [3, 5], 9, 10, [12, 14]], Ids::runs([1, 3, 4, 5, 9, 10, 12, 13, 14]));
    }

    /**
     * The same change twice: by columns, and note by note.
     *
     * @return array{Change, Change}
     */
    private static function both(Score $score, int $every, int $seed): array
    {
        mt_srand($seed);
        $part = $score->part(1);
        $ids = array_values(array_filter($part->notes->ids(), static fn (int $id): bool => $id % $every === 0));
        $values = [];
        foreach (['start' => 9000, 'pitch' => 120, 'velocity' => 126, 'carryVelocity' => 3] as $name => $most) {
            if (mt_rand(0, 2) > 0) {
                $values[$name] = array_map(static fn (int $v): int => mt_rand(0, 3) === 0 ? $v : 1 + mt_rand(0, $most), $part->notes->integers($name, $ids));
            }
        }
        $values['muted'] = array_map(static fn (): bool => mt_rand(0, 4) === 0, $ids);
        $columns = new ChangeBuilder;
        $columns->columns($part, $ids, $values);
        $single = new ChangeBuilder;
        foreach ($ids as $i => $id) {
            $other = array_map(static fn (array $list): mixed => $list[$i], $values);
            if ($part->notes[$id]->exactly($other) != $part->notes[$id]) {
                $single->put($part, $part->notes[$id]->with($other));
            }
        }

        return [$columns->change(), $single->change()];
    }

    /** @param  bool  $whole  whether both are made of the same notes, and not only come to the same */
    private static function same(Change $one, Change $other, Score $score, bool $whole = true): void
    {
        $after = $one->applyTo($score);
        self::assertSame(Make::bytes($other->applyTo($score)), Make::bytes($after));
        self::assertSame(Make::bytes($score), Make::bytes($one->inverse()->applyTo($after)));
        self::assertSame(Make::bytes($score), Make::bytes(ChangeCodec::decode(ChangeCodec::encode($one), $after, true)->inverse()->applyTo($after)));
        self::assertSame(Make::bytes($after), Make::bytes(ChangeCodec::decode(ChangeCodec::encode($one), $score, false)->applyTo($score)));
        self::assertSame(CollisionCheck::merging($other, $score), CollisionCheck::merging($one, $score));
        self::assertSame(CollisionCheck::far($other, $score), CollisionCheck::far($one, $score));
        if ($whole) {
            self::assertSame(ChangeCodec::encode($other), ChangeCodec::encode($one));
            self::assertEquals($other->parts[1]->notes->before(), $one->parts[1]->notes->before());
            self::assertEquals($other->parts[1]->notes->after(), $one->parts[1]->notes->after());
        }
    }
}

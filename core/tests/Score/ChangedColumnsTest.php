<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Score;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which columns are otherwise: each has a bit, in the order of the table, and what is not otherwise is not packed anew. */
final class ChangedColumnsTest extends TestCase
{
    /** @return iterable<string, array{Table<Note>|Table<Point>, string}> */
    public static function columns(): iterable
    {
        foreach (['note' => Table::notes(), 'point' => Table::points()] as $what => $table) {
            foreach (array_keys($table->columns) as $name) {
                yield "$what, $name" => [$table, $name];
            }
        }
    }

    /** @param  Table<Note>|Table<Point>  $table */
    #[DataProvider('columns')]
    public function test_each_column_has_its_bit(Table $table, string $name): void
    {
        $values = array_map(static fn (int $i): int|bool|float|string => ['muted' => true, 'own' => '{"bend":[[0,1]]}', 'carryStart' => 0.25, 'carryLength' => 0.5][array_keys($table->columns)[$i]] ?? 5 + $i, array_keys(array_values($table->columns)));
        $values = array_combine(array_keys($table->columns), $values);
        $one = $table->one($values);
        $other = $table->one([$name => is_bool($values[$name]) ? false : (is_string($values[$name]) ? '' : $values[$name] + 1)] + $values);
        self::assertNotEquals($one, $other);
        $bits = $one instanceof Note && $other instanceof Note ? Table::notes()->changedColumns($one, $other) : ($one instanceof Point && $other instanceof Point ? Table::points()->changedColumns($one, $other) : 0);
        self::assertSame([$name], $table->named($bits));
        self::assertSame($table->bit($name), $bits);
    }

    public function test_notes_made_of_columns_are_those_that_the_constructor_makes(): void
    {
        $notes = Make::take(3)->part(1)->notes->all();
        $columns = [];
        foreach (array_keys(Table::notes()->columns) as $name) {
            $columns[$name] = array_column($notes, $name);
        }
        self::assertEquals(array_values($notes), Note::many($columns));
        $few = array_intersect_key($columns, array_flip(['id', 'start', 'length', 'pitch', 'velocity']));
        self::assertEquals(array_map(static fn (Note $n): Note => new Note($n->id, $n->start, $n->length, $n->pitch, $n->velocity), array_values($notes)), Note::many($few));
    }

    #[DataProvider('seeds')]
    public function test_what_is_packed_with_what_is_known_to_stay_is_what_is_packed_anew(int $seed, int $shift): void
    {
        $bytes = Make::take($seed, 120)->part(1)->notes->bytes();
        mt_srand($seed);
        $rows = Rows::read(Table::notes(), $bytes, $shift);
        // Several changes one after another, some of them packed in between.
        for ($round = 0; $round < 4; $round++) {
            $before = $after = [];
            $changedColumns = 0;
            foreach ($rows->all() as $id => $note) {
                if (mt_rand(0, 9) === 0) {
                    continue;
                }
                $before[$id] = $note;
                $after[$id] = match ($round) {
                    0 => $note->withPitch(mt_rand(20, 100)),
                    1 => $note->movedTo($note->start + mt_rand(1, 99)),
                    2 => $note->withVelocity(mt_rand(1, 127)),
                    default => $note->withMuted(! $note->muted),
                };
                $changedColumns |= Table::notes()->changedColumns($note, $after[$id]);
            }
            $rows = $rows->with($before, $after, $changedColumns);
            if ($seed % 2 === 0) {
                self::assertNotSame('', $rows->bytes($shift));
            }
        }
        self::assertSame(bin2hex(Rows::of(Table::notes(), $rows->all())->bytes($shift)), bin2hex($rows->bytes($shift)));
        self::assertSame(bin2hex(Rows::of(Table::notes(), $rows->all())->bytes()), bin2hex($rows->bytes()));
    }

    /** @return list<array{int, int}> */
    public static function seeds(): array
    {
        return [[1, 0], [2, 0], [3, 960], [4, 960], [5, 31]];
    }
}

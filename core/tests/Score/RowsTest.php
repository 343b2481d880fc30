<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Score;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Setting;
use Jactonic\Core\Score\Settings;
use Jactonic\Core\Score\Table;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Packed notes and points: whichever way they come about, equal things are equal bytes, and only what is touched is unpacked. */
final class RowsTest extends TestCase
{
    /** @return array<int, Note> */
    private static function notes(int $count): array
    {
        $notes = [];
        for ($id = 1; $id <= $count; $id++) {
            $notes[$id * 3] = new Note($id * 3, mt_rand(0, 1 << 40), mt_rand(1, 9999), mt_rand(0, 127), mt_rand(1, 127), [64, 64, -1, 3][mt_rand(0, 3)], mt_rand(0, 5) === 0,
                mt_rand(0, 2), mt_rand(0, 15), mt_rand(-99, 99), mt_rand(-99, 99), mt_rand(-5, 5) / 10, 0.0);
        }

        return $notes;
    }

    public function test_a_document_from_before_a_column_was_made_wider_is_read(): void
    {
        $narrow = pack('V', 2).chr(0).pack('V2', 7, 9).chr(1).pack('P2', 10, 20).chr(2).pack('P2', 5, 5).chr(3).pack('C2', 60, 61).chr(4).pack('C2', 80, 81).chr(5).pack('c2', -128, 127);
        $notes = Rows::read(Table::notes(), $narrow)->all();

        self::assertSame([-128, 127], [$notes[7]->release, $notes[9]->release]);
        self::assertSame([81, 20], [$notes[9]->velocity, $notes[9]->start]);
        self::assertEquals($notes, Rows::read(Table::notes(), Rows::of(Table::notes(), $notes)->bytes())->all());
    }

    public function test_out_of_columns_they_are_what_they_are_out_of_notes(): void
    {
        foreach ([0, 1, 70] as $count) {
            $notes = self::notes($count);
            $rows = Rows::made(Table::notes(), Table::notes()->write($notes));

            self::assertSame(Rows::of(Table::notes(), $notes)->bytes(960), $rows->bytes(960));
            self::assertEquals($notes, $rows->all());
            self::assertSame(array_keys($notes), $rows->ids());
        }
    }

    public function test_any_way_of_changing_gives_the_same_bytes_as_writing_the_result(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            mt_srand($seed);
            $all = self::notes(mt_rand(0, 80));
            $shift = mt_rand(0, 3) * 960;
            $rows = Rows::read(Table::notes(), Rows::of(Table::notes(), $all)->bytes($shift), $shift);
            for ($round = 0; $round < 3; $round++) {
                $before = $after = [];
                foreach ($all === [] ? [] : (array) array_rand($all, mt_rand(1, min(count($all), mt_rand(1, 70)))) as $id) {
                    $before[(int) $id] = $all[(int) $id];
                    if (mt_rand(0, 3) > 0) {
                        $after[(int) $id] = $all[(int) $id]->withVelocity(mt_rand(1, 127))->withMuted(false);
                    }
                }
                for ($new = 0; $new < mt_rand(0, 3); $new++) {
                    $id = mt_rand(1, 400);
                    $after[$id] = (self::notes(1)[3])->copiedAs($id);
                    $before += array_intersect_key($all, [$id => 0]);
                }
                $rows = $rows->with($before, $after);
                $all = array_diff_key($all, $before);
                $all = $after + $all;
                ksort($all);
                self::assertSame(bin2hex(Rows::of(Table::notes(), $all)->bytes($shift)), bin2hex($rows->bytes($shift)), "seed $seed, round $round");
            }
            self::assertEquals($all, $rows->all());
            self::assertSame(array_keys($all), $rows->ids());
        }
    }

    public function test_one_among_many_is_found_and_changed_without_the_others_being_made(): void
    {
        mt_srand(1);
        $all = self::notes(2000);
        $rows = Rows::read(Table::notes(), Rows::of(Table::notes(), $all)->bytes(), 50);

        self::assertEquals($all[300]->with(['start' => $all[300]->start + 50]), $rows->get(300));
        self::assertNull($rows->get(301));
        self::assertFalse($rows->has(-1));
        self::assertEquals([$rows->get(300)], $rows->at($all[300]->start + 50));
        $changed = $rows->with([300 => $rows[300]], [300 => $rows[300]->withPitch(1)]);
        self::assertSame([1, 2000], [$changed[300]->pitch, count($changed)]);
        self::assertSame($all[300]->pitch, $rows[300]->pitch, 'the one before stays as it was');
    }

    public function test_moved_as_a_whole_nothing_is_written_anew(): void
    {
        $rows = Rows::of(Table::points(), [1 => new Point(1, 10, 0xB0, 7, 9), 2 => new Point(2, 5, 0xE0, 0, 64)]);
        $moved = $rows->moved(960);

        self::assertSame([970, 965], $moved->column('tick'));
        self::assertSame(965, $moved->get(2)?->tick);
        self::assertSame($rows->bytes(), $moved->bytes(960));
        self::assertSame([10, 5], $moved->moved(-960)->column('tick'));
        self::assertSame([10, 5], $rows->column('tick'));
    }

    public function test_the_table_of_notes_names_the_properties_of_a_note_in_their_order(): void
    {
        $names = static fn (string $class): array => array_map(static fn (\ReflectionParameter $p): string => $p->getName(), (new \ReflectionMethod($class, '__construct'))->getParameters());

        self::assertSame($names(Note::class), array_keys(Table::notes()->columns));
        self::assertSame($names(Point::class), array_keys(Table::points()->columns));
        self::assertSame(array_map(static fn (string $n): string => $n === 'ownNudge' ? 'nudge' : $n, $names(PartSettings::class)), array_keys(Settings::all()));
    }

    /** @return iterable<string, array{Setting}> */
    public static function settings(): iterable
    {
        foreach (Settings::all() as $name => $setting) {
            yield $name => [$setting];
        }
    }

    #[DataProvider('settings')]
    public function test_each_setting_reads_back_what_it_wrote_and_refuses_what_it_does_not_take(Setting $setting): void
    {
        $written = PartSettings::fresh()->toArray();
        self::assertEquals($written[$setting->name], PartSettings::fromArray($written)->toArray()[$setting->name]);
        $this->expectException(\Jactonic\Core\Refusal::class);
        $this->expectExceptionMessage("“{$setting->name}");
        PartSettings::fromArray([$setting->name => ['no' => 'such']]);
    }
}

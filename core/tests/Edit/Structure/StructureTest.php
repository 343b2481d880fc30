<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

final class StructureTest extends TestCase
{
    public function test_mute_turns_all_or_sets(): void
    {
        $muted = static fn ($score): array => array_values(array_map(static fn (Note $n): bool => $n->muted, $score->part(1)->notes->all()));
        $score = Make::score([[0, 9, 60], [10, 9, 61]]);
        $one = Make::after($score, 'mute', [], [1]);

        self::assertSame([true, false], $muted($one));
        self::assertSame([true, true], $muted(Make::after($one, 'mute')), 'where some sound, all are muted');
        self::assertSame([false, false], $muted(Make::after(Make::after($one, 'mute'), 'mute')));
        self::assertSame([false, false], $muted(Make::after($one, 'mute', ['state' => 'off'])));
    }

    public function test_delete_takes_notes_away_and_leaves_nothing_chosen(): void
    {
        $outcome = Make::edit($score = Make::score([[0, 9, 60], [10, 9, 61], [20, 9, 62]]), 'delete', [], [1, 3]);

        self::assertSame([2], array_keys($outcome->change->applyTo($score)->part(1)->notes->all()));
        self::assertSame([1 => []], $outcome->selection->notes);
        self::assertSame('2 notes deleted.', $outcome->said);
    }

    public function test_insert_puts_notes_where_they_say_and_chooses_them(): void
    {
        $score = Make::score([[0, 9, 60]], ['grid' => '1/8', 'penVelocity' => 77]);
        $outcome = Make::edit($score, 'insert', ['notes' => [['start' => 480, 'pitch' => 64], ['start' => 960, 'length' => 5, 'pitch' => 65, 'velocity' => 3, 'channel' => 4]]]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([1 => [2, 3]], $outcome->selection->notes);
        self::assertSame([[0, 480, 960], [9, 480, 5], [80, 77, 3]], [Make::starts($after), Make::lengths($after), Make::velocities($after)], 'the pen says what the note does not');
        self::assertSame([0, 4], [$after->part(1)->notes[2]->channel, $after->part(1)->notes[3]->channel]);
    }

    public function test_insert_at_a_tick_keeps_the_shape(): void
    {
        $notes = [['start' => 700, 'length' => 9, 'pitch' => 64], ['start' => 500, 'length' => 9, 'pitch' => 65]];

        self::assertSame([5200, 5000], Make::starts(Make::after(Make::score([]), 'insert', ['notes' => $notes, 'at' => 5000])));
    }

    public function test_the_pens_own_length_counts_before_the_grid(): void
    {
        $score = Make::score([], ['grid' => '1/16', 'penLength' => '1/4T']);

        self::assertSame([640], Make::lengths(Make::after($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60]]])));
    }

    public function test_ids_are_not_used_twice_even_after_the_last_note_went(): void
    {
        $score = Make::after(Make::score([[0, 9, 60], [10, 9, 61]]), 'delete', [], [2]);
        $outcome = Make::edit($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 62]]]);

        self::assertSame([1 => [3]], $outcome->selection->notes);
    }

    public function test_a_note_put_where_one_of_its_pitch_begins_sets_its_velocity(): void
    {
        $score = Make::score([[0, 9, 60, 80], [0, 9, 61, 80]]);
        $outcome = Make::edit($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60, 'velocity' => 33, 'length' => 700]]]);

        self::assertSame([[33, 80], [9, 9]], [Make::velocities($after = $outcome->change->applyTo($score)), Make::lengths($after)]);
        self::assertSame('C4 at 1.1.1 was there: velocity 33.', $outcome->said);
        self::assertSame([1 => [1]], $outcome->selection->notes);
        self::assertNotNull($outcome->caret);
        self::assertSame('C4 at 1.1.1 is there already, velocity 80.', Make::edit($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60, 'velocity' => 80]]])->said);
        self::assertCount(4, Make::after($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60], ['start' => 0, 'pitch' => 61]]])->part(1)->notes, 'several are put on what is there');
        self::assertCount(3, Make::after($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60, 'channel' => 4]]])->part(1)->notes);
    }

    public function test_a_note_is_inserted_with_a_touch_of_the_part(): void
    {
        $score = Make::score([], ['touches' => [11, 22, 33, 44], 'penVelocity' => 99]);
        $note = ['notes' => [['start' => 0, 'pitch' => 60]]];

        self::assertSame([99], Make::velocities(Make::after($score, 'insert', $note, [])));
        self::assertSame([33], Make::velocities(Make::after($score, 'insert', $note + ['touch' => 3], [])));
        self::assertSame([7], Make::velocities(Make::after($score, 'insert', ['notes' => [['start' => 0, 'pitch' => 60, 'velocity' => 7]], 'touch' => 3], [])), 'what the note itself says holds');
    }
}

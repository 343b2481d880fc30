<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Pitch;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Keymap\Binding;
use Jactonic\Core\Keymap\Keymap;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class TransposeTest extends TestCase
{
    #[TestWith([1, [61, 65], '2 notes up a semitone.'])]
    #[TestWith([-12, [48, 52], '2 notes down an octave.'])]
    #[TestWith([24, [84, 88], '2 notes up 2 octaves.'])]
    #[TestWith([7, [67, 71], '2 notes up 7 semitones.'])]
    /** @param  list<int>  $pitches */
    public function test_pitches_move_together(int $semitones, array $pitches, string $said): void
    {
        $score = Make::score([[0, 9, 60], [0, 9, 64]]);
        $outcome = Make::edit($score, 'transpose', ['semitones' => $semitones]);

        self::assertSame([$pitches, $said], [Make::pitches($outcome->change->applyTo($score)), $outcome->said]);
    }

    #[TestWith([1, 'G9 at 2.1.1 cannot go up 1'])]
    #[TestWith([-61, 'C4 at 1.1.1 cannot go down 61'])]
    public function test_a_note_that_would_leave_the_keyboard_stops_all(int $semitones, string $why): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage($why);
        Make::edit(Make::score([[0, 9, 60], [3840, 9, 127]]), 'transpose', ['semitones' => $semitones]);
    }

    public function test_all_go_to_a_pitch_by_number_by_name_or_to_the_carets_row(): void
    {
        $score = Make::score([[0, 9, 60], [0, 9, 64]]);
        foreach ([[38, 38], ['F#3', 54], ['kick', 36]] as [$pitch, $expected]) {
            self::assertSame([$expected, $expected], Make::pitches(Make::after($score, 'set-pitch', ['pitch' => $pitch])));
        }
        $command = ['edit' => 'set-pitch', 'params' => ['pitch' => 'caret'], 'on' => ['part' => 1, 'pick' => ['all' => true]]];
        $outcome = Batch::once($command + ['context' => ['caret' => ['tick' => 0, 'pitch' => 41]]], $score);
        self::assertSame('2 notes on F2.', $outcome->said);
        foreach ([['cello', 'name of a pitch'], [128, 'name of a pitch'], ['caret', 'There is no caret.']] as [$pitch, $why]) {
            try {
                Make::edit($score, 'set-pitch', ['pitch' => $pitch]);
                self::fail("$pitch was taken");
            } catch (Refusal $refusal) {
                self::assertStringContainsString($why, $refusal->getMessage());
            }
        }
    }

    public function test_the_edges_of_the_keyboard_can_be_reached(): void
    {
        self::assertSame([127], Make::pitches(Make::after(Make::score([[0, 9, 126]]), 'transpose', ['semitones' => 1])));
        self::assertSame([0], Make::pitches(Make::after(Make::score([[0, 9, 1]]), 'transpose', ['semitones' => -1])));
    }

    public function test_a_line_is_doubled_and_the_copies_are_chosen(): void
    {
        $score = Make::after(Make::score([[10, 100, 60, 99], [500, 100, 64]]), 'quantize');
        $outcome = Make::edit($score, 'double-at', ['semitones' => -12]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([1 => [3, 4]], $outcome->selection->notes);
        self::assertSame([60, 64, 48, 52], array_map(static fn ($n): int => $n->pitch, array_values($after->part(1)->notes->all())));
        self::assertSame([10, 500, 10, 500], Make::starts(Make::after($after, 'as-played')), 'copies remember the playing too');
        $this->expectException(Refusal::class);
        Make::edit($score, 'double-at', ['semitones' => 64]);
    }

    public function test_all_go_to_one_pitch_and_stay_in_time(): void
    {
        $after = Make::after($score = Make::score([[10, 100, 40], [500, 100, 64]]), 'set-pitch', ['pitch' => 38]);

        self::assertSame([38, 38], array_map(static fn ($n): int => $n->pitch, array_values($after->part(1)->notes->all())));
        self::assertSame(Make::starts($score), Make::starts($after));
    }

    /** In C major with scale lock: C4 E4, and D♯4, which lies outside. */
    #[TestWith([1, [62, 65, 64], '3 notes up a step of C major.'])]
    #[TestWith([-1, [59, 62, 62], '3 notes down a step of C major.'])]
    #[TestWith([7, [72, 76, 74], '3 notes up 7 steps of C major.'])]
    /** @param  list<int>  $pitches */
    public function test_with_scale_lock_plain_steps_are_steps_of_the_scale(int $steps, array $pitches, string $said): void
    {
        $score = Make::score([[0, 9, 60], [0, 9, 64], [9, 9, 63]], ['scale' => 'C major', 'held' => true]);
        $outcome = Make::edit($score, 'transpose', ['steps' => $steps]);

        self::assertSame([$pitches, $said], [Make::pitches($outcome->change->applyTo($score)), $outcome->said]);
        // A number of semitones is that many semitones.
        self::assertSame([61, 65, 64], Make::pitches(Make::after($score, 'transpose', ['semitones' => 1])));
    }

    public function test_without_scale_lock_or_without_a_scale_plain_steps_are_semitones(): void
    {
        foreach ([['scale' => 'C major', 'held' => false], ['held' => true], []] as $settings) {
            $outcome = Make::edit(Make::score([[0, 9, 60], [0, 9, 64]], $settings), 'transpose', ['steps' => -1]);
            self::assertSame('2 notes down a semitone.', $outcome->said);
        }
    }

    public function test_the_songs_scale_locks_a_part_that_has_none_and_drums_have_none(): void
    {
        $notes = [new Note(1, 0, 9, 64, 80), new Note(2, 0, 9, 64, 80, channel: 9)];
        $part = Part::of(1, 'Part', $notes, [], PartSettings::fromArray(['held' => true]));
        $score = new Score(Timeline::of(960), [1 => $part], [1 => new Track(1, 'Track', 0)], 2, 2, scale: Scale::parse('G minor'));
        self::assertSame([65, 65], Make::pitches(Make::after($score, 'transpose', ['steps' => 1])));
        self::assertSame([67, 66], Make::pitches(Make::after($score, 'transpose', ['steps' => 2])));
    }

    public function test_one_of_the_two_is_said(): void
    {
        foreach ([[], ['semitones' => 1, 'steps' => 1]] as $params) {
            try {
                Make::edit(Make::score([[0, 9, 60]]), 'transpose', $params);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertSame('semitones', $refusal->parameter);
            }
        }
    }

    public function test_the_last_step_of_the_scale_can_be_reached_and_no_further(): void
    {
        $score = Make::score([[0, 9, 125]], ['scale' => 'C major', 'held' => true]);
        self::assertSame([127], Make::pitches(Make::after($score, 'transpose', ['steps' => 1])));
        $this->expectExceptionMessage('cannot go up 2');
        Make::edit($score, 'transpose', ['steps' => 2]);
    }

    public function test_arrows_of_ones_own_that_said_a_semitone_are_plain_steps_and_alt_with_them_is_not(): void
    {
        $kept = Keymap::kept([
            ['context' => 'roll', 'keys' => 'ArrowUp', 'command' => 'transpose', 'params' => ['semitones' => 1]],
            ['context' => 'roll', 'keys' => 'Alt+ArrowUp', 'command' => 'transpose', 'params' => ['semitones' => 1]],
        ]);
        self::assertSame([['steps' => 1], ['semitones' => 1]], array_map(static fn (Binding $b): array => $b->params, $kept->bindings));
    }
}

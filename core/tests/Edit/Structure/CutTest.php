<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Structure;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** Splitting, joining, and keeping only the first chords. */
final class CutTest extends TestCase
{
    public function test_notes_are_split_at_the_lines_inside_them(): void
    {
        $score = Make::score([[100, 500, 60, 99], [960, 240, 62]]);

        self::assertSame([[100, 240], [240, 480], [480, 600], [960, 1200]], self::spans(Make::after($score, 'split', ['grid' => '1/16'])));
        self::assertSame([[100, 320], [320, 600], [960, 1200]], self::spans(Make::after($score, 'split', ['grid' => '1/8T'])));
        self::assertSame([[100, 288], [288, 480], [480, 600], [960, 1200]], self::spans(Make::after($score, 'split', ['grid' => '1/16', 'swing' => 60])));
        self::assertSame('1 note split into 3; 1 stayed whole.', Make::edit($score, 'split', ['grid' => '1/16'])->said);
    }

    public function test_a_note_played_early_is_not_cut_at_the_line_it_was_meant_for(): void
    {
        // Hats on eighths, each a little early or late, over to the next: none is longer than what lies between two lines.
        $hats = array_map(static fn (int $i): array => [$i * 480 + [-30, 12, -55, 0][$i % 4] + 60, 455, 42], range(0, 54));
        $early = array_map(static fn (array $h): array => [$h[0] - 60 + 480, $h[1], $h[2]], $hats);

        self::assertSame(self::spans(Make::score($early)), self::spans(Make::after(Make::score($early), 'split', ['grid' => '1/8'])));
        self::assertSame([[470, 960], [960, 1500]], self::spans(Make::after(Make::score([[470, 1030, 42]]), 'split', ['grid' => '1/8'])), 'and one that goes on is cut at the lines after it');
    }

    public function test_notes_are_split_into_equal_pieces_or_at_one_place(): void
    {
        $score = Make::score([[0, 240, 60], [480, 100, 62], [960, 2, 64]]);

        self::assertSame([[0, 80], [80, 160], [160, 240], [480, 513], [513, 547], [547, 580], [960, 962]], self::spans(Make::after($score, 'split', ['into' => 3])));
        self::assertSame([[0, 240], [480, 500], [500, 580], [960, 962]], self::spans(Make::after($score, 'split', ['at' => 500])));
        $nowhere = Make::edit($score, 'split', ['at' => 480]);
        self::assertTrue($nowhere->change->isEmpty(), 'an edge is no inside');
        self::assertSame('3 notes: there is nowhere to cut.', $nowhere->said);
        $this->expectException(Refusal::class);
        Make::edit($score, 'split', ['into' => 3, 'at' => 500]);
    }

    public function test_pieces_keep_what_the_note_had_and_remember_its_playing(): void
    {
        $quantized = Make::after(Make::score([[20, 480, 60, 111]]), 'quantize');
        $after = Make::after($quantized, 'split', ['into' => 2]);

        self::assertSame([111, 111], Make::velocities($after));
        self::assertSame([[20, 260], [260, 500]], self::spans(Make::after($after, 'as-played')));
    }

    public function test_neighbours_of_one_pitch_are_joined(): void
    {
        $score = Make::score([[0, 200, 60, 100], [240, 240, 60, 20], [480, 100, 62], [900, 100, 60]]);
        $outcome = Make::edit($score, 'join', ['within' => 40]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([[0, 480], [480, 580], [900, 1000]], self::spans($after));
        self::assertSame(100, $after->part(1)->notes[1]->velocity);
        self::assertSame('4 notes joined to 3.', $outcome->said);
        self::assertSame([[0, 1000], [480, 580]], self::spans(Make::after($score, 'join', ['within' => '1/4'])));
        self::assertTrue(Make::edit($score, 'join', ['within' => 39])->change->isEmpty());
    }

    public function test_muted_and_sounding_notes_and_other_channels_are_not_joined(): void
    {
        $score = Make::after(Make::score([[0, 240, 60], [240, 240, 60]]), 'mute', ['state' => 'on'], [2]);

        self::assertTrue(Make::edit($score, 'join')->change->isEmpty());
    }

    public function test_what_was_split_and_joined_is_what_it_was(): void
    {
        for ($seed = 1; $seed <= 300; $seed++) {
            mt_srand($seed);
            $note = [mt_rand(0, 5000), mt_rand(2, 5000), 60, mt_rand(1, 127)];
            $score = Make::after(Make::score([$note]), 'quantize');
            $back = Make::after(Make::after($score, 'split', ['into' => 2]), 'join');
            self::assertEquals($score->part(1)->notes->all(), $back->part(1)->notes->all());
        }
    }

    public function test_only_the_first_chord_of_each_bar_is_kept(): void
    {
        // Two bars of repeated chords; the second bar's first is played 50 ticks early.
        $notes = [[0, 90, 60], [15, 90, 64], [960, 90, 60], [975, 90, 64], [3790, 90, 62], [3800, 90, 65], [4800, 90, 62]];
        $score = Make::score($notes);
        $outcome = Make::edit($score, 'keep-first-chords');

        self::assertTrue($outcome->change->isEmpty());
        self::assertSame([1 => [3, 4, 7]], $outcome->selection->notes);
        self::assertSame('4 notes kept as the first chord of each bar; 3 notes are selected.', $outcome->said);
        $deleted = Make::edit($score, 'keep-first-chords', ['rest' => 'deleted'], []);
        self::assertSame([1 => [1, 2, 5, 6]], $deleted->selection->notes, 'with nothing selected the whole part is taken');
        self::assertSame([1, 2, 5, 6], array_keys($deleted->change->applyTo($score)->part(1)->notes->all()));
        $muted = Make::after($score, 'keep-first-chords', ['rest' => 'muted', 'each' => '2bar']);
        self::assertSame([3, 4, 5, 6, 7], array_keys(array_filter($muted->part(1)->notes->all(), static fn (Note $n): bool => $n->muted)));
    }

    public function test_of_each_run_of_one_chord_the_first_is_kept_wherever_it_changes(): void
    {
        // A strummed fifth three times, with its octave doubled on the third beat, back off the beat, and again.
        $notes = [[0, 90, 60], [15, 90, 67], [960, 90, 60], [970, 90, 67], [1920, 90, 60], [1920, 90, 67], [1920, 90, 72], [2400, 90, 60], [2410, 90, 67], [2880, 90, 67], [2885, 90, 60], [2890, 90, 60]];
        $outcome = Make::edit($score = Make::score($notes), 'keep-first-chords', ['of' => 'change', 'rest' => 'deleted'], []);

        self::assertSame([1, 2, 5, 6, 7, 8, 9], array_keys($outcome->change->applyTo($score)->part(1)->notes->all()));
        self::assertSame('7 notes kept as the first chord of each run of one chord; 5 notes are deleted.', $outcome->said);
    }

    public function test_of_the_span_the_first_chord_is_kept_and_what_is_outside_stays(): void
    {
        $score = Make::score([[0, 90, 60], [960, 90, 60], [970, 90, 67], [1920, 90, 60], [4800, 90, 62]]);
        $outcome = Batch::once(['edit' => 'keep-first-chords', 'params' => ['of' => 'span', 'rest' => 'deleted'], 'on' => ['part' => 1, 'notes' => []], 'context' => ['span' => [900, 3840]]], $score);

        self::assertSame([1, 2, 3, 5], array_keys($outcome->change->applyTo($score)->part(1)->notes->all()));
        $this->expectExceptionMessage('There is no span.');
        Make::edit($score, 'keep-first-chords', ['of' => 'span']);
    }

    /** @return list<array{int, int}> start and end, in order */
    private static function spans(Score $score): array
    {
        return array_map(static fn (Note $n): array => [$n->start, $n->end()], $score->part(1)->inOrder());
    }
}

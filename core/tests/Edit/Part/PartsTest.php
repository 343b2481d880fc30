<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** Parts and tracks as wholes: put in, moved, renamed, taken away, and all of that undone. */
final class PartsTest extends TestCase
{
    /** Two parts of a bar on the first track, the second with a pedal that ends after its last note; one on the second. */
    private static function score(): Score
    {
        $part = static fn (int $id, int $track, int $from): Part => Part::of($id, "Part $id",
            [new Note(1, $from, 480, 60, 80, channel: 3), new Note(2, $from + 960, 480, 64, 90, channel: 3)],
            [new Point(1, $from, 0xC3, 11), new Point(2, $from + 10, 0xB3, 64, 127), new Point(3, $from + 3000, 0xB3, 64, 0)],
            PartSettings::fromArray(['grid' => '1/8']), new PartHead($track, '', $from, $from, $from + 3840));

        return new Score(Timeline::of(960), [1 => $part(1, 1, 0), 2 => $part(2, 1, 7680), 3 => $part(3, 2, 3840)],
            [1 => new Track(1, 'Vibes', 0), 2 => new Track(2, 'Pad', 1)], 4, 3);
    }

    /**
     * @param  array<string, mixed>  $params
     * @param  array<string, mixed>  $on
     * @param  array<string, mixed>  $context
     */
    private static function after(string $edit, array $params = [], array $on = ['parts' => [2]], array $context = []): Score
    {
        $batch = new Batch(self::score());
        $batch->run(['edit' => $edit, 'params' => $params, 'on' => $on, 'context' => $context]);
        $bytes = Make::bytes(self::score());
        self::assertSame($bytes, Make::bytes($batch->change->inverse()->applyTo($batch->score)), "$edit undone");
        $json = ChangeCodec::encode($batch->change);
        self::assertSame(Make::bytes($batch->score), Make::bytes(ChangeCodec::decode($json, self::score(), false)->applyTo(self::score())), "$edit out of what is kept");
        self::assertSame($bytes, Make::bytes(ChangeCodec::decode($json, $batch->score, true)->inverse()->applyTo($batch->score)), "$edit undone out of what is kept");

        return $batch->score;
    }

    public function test_a_part_moves_with_everything_in_it_and_no_note_is_touched(): void
    {
        $batch = new Batch(self::score());
        $outcome = $batch->run(['edit' => 'part-move', 'params' => ['steps' => -1, 'by' => ['unit' => 'bar', 'amount' => 1]], 'on' => ['parts' => [2]]]);

        self::assertSame('“Part 2” moved 1 bar earlier.', $outcome->said);
        self::assertSame([], $outcome->change->parts[2]->notes->after(), 'a step of it is a number');
        $part = $batch->score->part(2);
        self::assertSame([3840, 3840, 7680], [$part->head->origin, $part->head->from, $part->head->to]);
        self::assertSame([3840, 4800], $part->notes->column('start'));
        self::assertSame([3840, 3850, 6840], $part->points->column('tick'), 'the pedal comes up where it should');
        self::assertSame(self::score()->part(2)->notes->bytes(7680), $part->notes->bytes($part->head->origin), 'its document stays as it was');
        self::after('part-move', ['to' => 100]);
        self::after('part-move', ['track' => 2]);
        self::assertSame(2, self::after('part-move', ['track' => 2])->part(2)->head->track);
    }

    public function test_parts_that_move_together_keep_their_shape_and_none_leaves_the_song(): void
    {
        $after = self::after('part-move', ['steps' => 3], ['parts' => [2, 3]]);
        self::assertSame([9120, 5280], [$after->part(2)->head->from, $after->part(3)->head->from], 'by the grid of the first');
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('“Part 1” would begin before the song: nothing moved.');
        self::after('part-move', ['steps' => -1], ['parts' => [1, 2]]);
    }

    public function test_a_new_part_lies_over_the_span_or_the_carets_bar_and_sounds_as_its_track_does(): void
    {
        $after = self::after('part-new', [], ['tracks' => [1]], ['caret' => 5000]);
        $part = $after->part(4);
        self::assertSame([1, 'Vibes 3', 3840, 7680], [$part->head->track, $part->name, $part->head->from, $part->head->to]);
        self::assertEquals([new Point(1, 3840, 0xC3, 11)], array_values($part->points->all()));
        self::assertSame('1/8', self::after('part-new', ['name' => 'Bridge'], ['parts' => [2]])->part(4)->settings()->grid->name, 'with the settings of the one it came from');
        self::assertSame([0, 11_520], [self::after('part-new', [], ['tracks' => [2]], ['span' => [10, 7690]])->part(4)->head->from, self::after('part-new', [], ['tracks' => [2]], ['span' => [10, 7690]])->part(4)->head->to]);
        $this->expectException(Refusal::class);
        self::after('part-new', ['from' => 100, 'to' => 100], ['tracks' => [1]]);
    }

    public function test_a_new_track_plays_on_a_free_channel_and_drums_on_theirs(): void
    {
        $after = self::after('track-new', ['program' => 48]);
        self::assertSame(['Vibes', 'Pad', 'String Ensemble 1'], array_values(array_map(static fn (Track $t): string => $t->name, $after->tracks)));
        self::assertSame([0xC0, 48], [$after->part(4)->points[1]->status, $after->part(4)->points[1]->data1]);
        self::assertSame(0xC9, self::after('track-new', ['drums' => true])->part(4)->points[1]->status);
    }

    public function test_names_mutes_and_order_are_changes_like_others(): void
    {
        self::assertSame('Lantern', self::after('part-rename', ['name' => "  Lantern\t"])->part(2)->name);
        self::assertTrue(self::after('part-mute')->part(2)->head->muted);
        $renamed = self::after('track-rename', ['name' => 'Bells'], ['tracks' => [1]]);
        self::assertSame('Bells', $renamed->track(1)->name);
        self::assertSame('Bells', $renamed->track(1)->kept()[0]->bytes, 'in the file too');
        self::assertSame([2, 1], array_keys(self::after('track-order', ['by' => 1], ['tracks' => [1]])->tracks));
        self::assertSame('Night crossing', self::after('song-rename', ['name' => 'Night crossing'])->name);
    }

    public function test_what_is_deleted_comes_back_whole(): void
    {
        $after = self::after('part-delete');
        self::assertSame([1, 3], array_keys($after->parts));
        $without = self::after('track-delete', [], ['tracks' => [1]]);
        self::assertSame([[3], [2]], [array_keys($without->parts), array_keys($without->tracks)]);
        $this->expectException(Refusal::class);
        Batch::once(['edit' => 'part-rename', 'params' => ['name' => 'x'], 'on' => ['parts' => [2]]], $after);
    }

    public function test_edits_of_notes_work_on_whole_parts_and_tracks_each_by_its_own_settings(): void
    {
        $after = self::after('transpose', ['semitones' => -4], ['parts' => [1, 3]]);
        self::assertSame([[56, 60], [60, 64], [56, 60]], array_map(static fn (int $p): array => $after->part($p)->notes->column('pitch'), [1, 2, 3]));
        $track = self::after('velocity-set', ['value' => 5], ['tracks' => [1]]);
        self::assertSame([[5, 5], [5, 5], [80, 90]], array_map(static fn (int $p): array => $track->part($p)->notes->column('velocity'), [1, 2, 3]));
    }

    public function test_a_chain_of_all_of_it_is_one_change_that_is_undone_to_the_last_byte(): void
    {
        for ($seed = 1; $seed <= 60; $seed++) {
            mt_srand($seed);
            $batch = new Batch(self::score(), new \Jactonic\Core\Recipe\Book, null, new Context(mt_rand(0, 9000)));
            $states = [];
            for ($i = 0; $i < 8; $i++) {
                $parts = array_keys($batch->score->parts);
                $part = $parts[mt_rand(0, count($parts) - 1)];
                $command = [
                    ['edit' => 'part-move', 'params' => ['steps' => mt_rand(1, 3), 'by' => ['unit' => 'ticks', 'amount' => mt_rand(1, 999)]], 'on' => ['parts' => [$part]]],
                    ['edit' => 'nudge', 'params' => ['steps' => mt_rand(1, 2)], 'on' => ['part' => $part, 'pick' => ['all' => true]]],
                    ['edit' => 'insert', 'params' => ['notes' => [['start' => mt_rand(0, 30_000), 'length' => 99, 'pitch' => 50, 'velocity' => 9]]], 'on' => ['part' => $part, 'notes' => []]],
                    ['edit' => 'part-new', 'on' => ['parts' => [$part]]],
                    ['edit' => 'nudge', 'params' => ['by' => ['unit' => 'ticks', 'amount' => 7]], 'on' => ['part' => $part, 'lane' => 'cc:64', 'pick' => ['all' => true]]],
                    ['edit' => 'track-new', 'params' => ['program' => 5]],
                    ['edit' => 'marker-set', 'params' => ['name' => "Buoy $i"]],
                    ['edit' => 'tempo-set', 'params' => ['tempo' => mt_rand(60, 200), 'bar' => mt_rand(1, 4)]],
                    ['edit' => 'delete', 'on' => ['part' => $part, 'lane' => 'program', 'pick' => ['all' => true]]],
                    ['edit' => 'part-delete', 'on' => ['parts' => [$part]]],
                ][mt_rand(0, count($parts) > 1 ? 9 : 8)];
                $states[] = [$batch->score, Make::bytes($batch->score)];
                $batch->run($command);
                foreach ($states as [$score, $bytes]) {
                    self::assertSame($bytes, Make::bytes($score), 'a score that was handed out stays as it is');
                }
            }
            self::assertSame(Make::bytes(self::score()), Make::bytes($batch->change->inverse()->applyTo($batch->score)), "chain $seed");
            self::assertSame(Make::bytes($batch->score), Make::bytes($batch->change->applyTo(self::score())), "chain $seed, joined");
            $json = ChangeCodec::encode($batch->change);
            self::assertSame(Make::bytes(self::score()), Make::bytes(ChangeCodec::decode($json, $batch->score, true)->inverse()->applyTo($batch->score)), "chain $seed, kept");
        }
    }

    public function test_edges_move_and_no_note_is_touched(): void
    {
        $after = self::after('part-resize', ['steps' => -1, 'by' => ['unit' => 'bar', 'amount' => 1], 'edge' => 'start']);
        self::assertSame([3840, 11520], [$after->part(2)->head->from, $after->part(2)->head->to]);
        self::assertSame([7680, 8640], $after->part(2)->notes->column('start'));
        self::assertSame(8000, self::after('part-resize', ['to' => 8000])->part(2)->head->to);
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('“Part 2” would have no length: nothing changed.');
        self::after('part-resize', ['to' => 7680]);
    }

    public function test_contents_slide_under_the_window_and_a_part_goes_to_its_line(): void
    {
        $slid = self::after('part-slide', ['steps' => 2, 'by' => ['unit' => 'grid', 'amount' => 1]]);
        self::assertSame([7680, 11520], [$slid->part(2)->head->from, $slid->part(2)->head->to]);
        self::assertSame([8640, 9600], $slid->part(2)->notes->column('start'));
        $off = self::after('part-move', ['to' => 7700]);
        $back = Batch::once(['edit' => 'part-snap', 'on' => ['parts' => [2]]], $off)->change->applyTo($off);
        self::assertSame(7680, $back->part(2)->head->from);
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('would come before the song');
        self::after('part-slide', ['steps' => -1, 'by' => ['unit' => 'bar', 'amount' => 5]]);
    }

    public function test_cropped_and_tidied_what_lies_outside_goes_and_what_lanes_held_stays(): void
    {
        $cropped = self::after('part-crop', ['from' => 8000, 'to' => 8900]);
        self::assertSame([8640], array_column($cropped->part(2)->inOrder(), 'start'));
        $tidied = Batch::once(['edit' => 'part-tidy', 'on' => ['parts' => [2]]], $cropped);
        self::assertSame('2 outside deleted, 1 note cut.', $tidied->said);
        $after = $tidied->change->applyTo($cropped)->part(2);
        self::assertSame([[8640, 260]], array_map(static fn (Note $n): array => [$n->start, $n->length], $after->inOrder()));
        self::assertSame([8000, 8000], $after->points->column('tick'), 'its program and the pedal');
        self::assertSame(Make::bytes($cropped), Make::bytes($tidied->change->inverse()->applyTo($tidied->change->applyTo($cropped))));
        $this->expectException(Refusal::class);
        self::after('part-crop', ['from' => 900, 'to' => 900]);
    }

    public function test_split_and_joined_again_it_sounds_as_before(): void
    {
        $split = self::after('part-split', ['at' => 7900]);
        self::assertSame([1, 2, 3, 4], array_keys($split->parts));
        self::assertSame([[7680, 220]], array_map(static fn (Note $n): array => [$n->start, $n->length], $split->part(2)->inOrder()));
        self::assertSame([[7900, 260], [8640, 480]], array_map(static fn (Note $n): array => [$n->start, $n->length], $split->part(4)->inOrder()));
        self::assertSame([[7900, 0xC3, 11], [7900, 0xB3, 64], [10680, 0xB3, 64]], array_map(static fn (Point $p): array => [$p->tick, $p->status, $p->data1], array_values($split->part(4)->points->all())));
        self::assertSame([7900, 11520, 'Part 2 2'], [$split->part(4)->head->from, $split->part(4)->head->to, $split->part(4)->name]);
        $joined = Batch::once(['edit' => 'part-join', 'on' => ['parts' => [2]]], $split)->change->applyTo($split);
        self::assertSame([1, 2, 3], array_keys($joined->parts));
        self::assertSame([7680, 11520], [$joined->part(2)->head->from, $joined->part(2)->head->to]);
        self::assertSame(3, count($joined->part(2)->inOrder()));
        // At every bar, and with nowhere to.
        self::assertSame('There is nowhere to split.', Batch::once(['edit' => 'part-split', 'params' => ['at' => 1], 'on' => ['parts' => [2]]], self::score())->said);
        self::assertSame('There is no part after it to be joined with: nothing changed.', Batch::once(['edit' => 'part-join', 'on' => ['parts' => [2]]], self::score())->said);
    }

    public function test_repeated_parts_keep_their_shape_and_become_the_choice(): void
    {
        $outcome = Batch::once(['edit' => 'part-repeat', 'params' => ['times' => 2], 'on' => ['parts' => [1, 3]]], self::score());
        $after = $outcome->change->applyTo(self::score());
        self::assertSame([4, 5, 6, 7], $outcome->selection->parts);
        // Both together are two bars long.
        self::assertSame([7680, 15360, 11520, 19200], array_map(static fn (int $id): int => $after->part($id)->head->from, [4, 5, 6, 7]));
        self::assertSame([7680, 8640], $after->part(4)->notes->column('start'));
        self::after('part-repeat', ['every' => 'span'], ['parts' => [1]], ['span' => [0, 5000]]);
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('more than 2000 parts');
        Batch::once(['edit' => 'part-repeat', 'params' => ['times' => 200], 'on' => ['parts' => array_keys(array_fill(1, 11, 0))]], new Score(Timeline::of(960), array_map(static fn (int $i): Part => Part::of($i, 'P', [], [], PartSettings::fresh(), new PartHead(1, '', 0, 0, 960)), array_combine(range(1, 11), range(1, 11))), [1 => new Track(1, 'T', 0)], 12, 2));
    }
}

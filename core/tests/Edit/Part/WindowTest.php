<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Part;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Tests\Support\Smf;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** What lies inside a part's window is heard, saved and selected; the rest is kept, and nothing loses it. */
final class WindowTest extends TestCase
{
    /** A window of the second bar: a note before it, one across each edge, one inside, one after; points likewise. */
    private static function score(): Score
    {
        $notes = [new Note(1, 0, 100, 60, 80), new Note(2, 3700, 400, 61, 80), new Note(3, 4000, 100, 62, 80), new Note(4, 7600, 500, 63, 80), new Note(5, 7680, 100, 64, 80)];
        $points = [new Point(1, 0, 0xB0, 7, 1), new Point(2, 3840, 0xB0, 7, 2), new Point(3, 7679, 0xB0, 7, 3), new Point(4, 7680, 0xB0, 7, 4)];

        return new Score(Timeline::of(960), [1 => Part::of(1, 'Window', $notes, $points, PartSettings::fresh(), new PartHead(1, '', 0, 3840, 7680))], [1 => new Track(1, 'Piano', 0)], 2, 2);
    }

    public function test_what_starts_inside_sounds_and_is_cut_at_the_end(): void
    {
        $part = self::score()->part(1);

        self::assertSame([[3, 4000, 4100], [4, 7600, 7680]], array_map(static fn (Note $n): array => [$n->id, $n->start, $n->end()], Sounding::notes($part, Timeline::of(960))));
        self::assertSame([2, 3], array_map(static fn (Point $p): int => $p->id, Sounding::points($part, Timeline::of(960))));
        $muted = $part->withHead($part->head->withMuted(true));
        self::assertSame([[], []], [Sounding::notes($muted, Timeline::of(960)), Sounding::points($muted, Timeline::of(960))]);
    }

    public function test_a_saved_file_holds_what_sounds_and_the_rest_is_counted(): void
    {
        $song = new Song(self::score(), new Source);
        $ons = array_values(array_filter(Exporter::export($song)->tracks[0], static fn ($e): bool => ($e->status & 0xF0) === 0x90));

        self::assertSame([[4000, 62], [7600, 63]], array_map(static fn ($e): array => [$e->tick, $e->data1], $ons));
        self::assertSame(['3 hidden notes were left out of the file.', '1 hidden point was left out of the file.'], Exporter::warnings($song));
    }

    public function test_what_is_hidden_is_chosen_by_nothing_but_by_its_id(): void
    {
        $on = ['part' => 1, 'pick' => ['all' => true]];
        self::assertSame([1 => [3, 4]], Batch::once(['select' => 'all', 'on' => $on], self::score())->selection->notes);
        self::assertSame([1 => [4]], Batch::once(['select' => 'next', 'on' => ['part' => 1, 'notes' => [3]]], self::score())->selection->notes);
        $after = Batch::once(['edit' => 'transpose', 'params' => ['semitones' => 1], 'on' => ['parts' => [1]]], self::score())->change->applyTo(self::score());
        self::assertSame([60, 61, 63, 64, 64], $after->part(1)->notes->column('pitch'));
        $clicked = Batch::once(['edit' => 'transpose', 'params' => ['semitones' => 1], 'on' => ['part' => 1, 'notes' => [5]]], self::score())->change->applyTo(self::score());
        self::assertSame(65, $clicked->part(1)->notes[5]->pitch);
        self::assertTrue($clicked->part(1)->head->to === 7680, 'what lay outside stays outside');
    }

    public function test_a_note_put_outside_makes_the_part_grow_to_the_bar_line_and_it_is_said(): void
    {
        $outcome = Batch::once(['edit' => 'insert', 'params' => ['notes' => [['start' => 12_000, 'length' => 10, 'pitch' => 60]]], 'on' => ['part' => 1, 'notes' => []]], self::score());
        self::assertStringContainsString('inserted. “Window” now reaches to the end of bar 4.', $outcome->said);
        $after = $outcome->change->applyTo(self::score());
        self::assertSame([3840, 15_360], [$after->part(1)->head->from, $after->part(1)->head->to]);
        $back = Batch::once(['edit' => 'nudge', 'params' => ['steps' => -1, 'by' => ['unit' => 'ticks', 'amount' => 500]], 'on' => ['part' => 1, 'notes' => [3]]], self::score());
        self::assertStringContainsString('“Window” now begins at bar 1.', $back->said);
        $longer = Batch::once(['edit' => 'set-length', 'params' => ['value' => 'bar'], 'on' => ['part' => 1, 'notes' => [3]]], self::score());
        self::assertStringContainsString('now reaches to the end of bar 3.', $longer->said, 'a note that is made longer is heard as it looks');
        $inside = Batch::once(['edit' => 'nudge', 'on' => ['part' => 1, 'notes' => [3]]], self::score());
        self::assertStringNotContainsString('now', $inside->said);
        self::assertSame(7680, $inside->change->applyTo(self::score())->part(1)->head->to);
    }

    public function test_a_part_read_from_a_file_reaches_to_the_bar_line_after_its_last_event(): void
    {
        [$song] = Importer::import(Reader::read(Smf::file([Smf::at(0, '90 3C 40').Smf::at(400, '80 3C 40').Smf::at(384, 'B0 07 40').Smf::END])), 'file');

        self::assertSame([0, 0, 11_520], [$song->score->part(1)->head->origin, $song->score->part(1)->head->from, $song->score->part(1)->head->to]);
        self::assertSame([0, 0, 0], Exporter::leftOut($song));
    }
}

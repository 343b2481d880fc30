<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Edit\Timing;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Param\Place;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Time\Timeline;
use PHPUnit\Framework\TestCase;

/** Moving a group to a line or to a place, its shape kept. */
final class PlacesTest extends TestCase
{
    public function test_the_first_note_goes_to_the_next_line_and_the_rest_keep_their_places_from_it(): void
    {
        $score = Make::score([[500, 100, 60], [250, 100, 62], [1000, 100, 64]]);

        self::assertSame([730, 480, 1230], Make::starts(Make::after($score, 'snap-nudge')));
        self::assertSame([490, 240, 990], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -1])));
        self::assertSame([250, 0, 750], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -2])));
        self::assertSame([250, 0, 750], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -9])), 'not before the song');
    }

    public function test_from_a_line_it_goes_to_the_next_one_and_swung_lines_are_obeyed(): void
    {
        $score = Make::score([[240, 100, 60]], ['swing' => 60]);

        self::assertSame([288], Make::starts(Make::after($score, 'snap-nudge')));
        self::assertSame([480], Make::starts(Make::after($score, 'snap-nudge', ['steps' => 2])));
        self::assertSame([0], Make::starts(Make::after($score, 'snap-nudge', ['steps' => -1])));
    }

    public function test_on_the_first_line_nothing_moves_and_it_says_so(): void
    {
        $outcome = Make::edit(Make::score([[0, 100, 60]]), 'snap-nudge', ['steps' => -1]);

        self::assertTrue($outcome->change->isEmpty());
        self::assertStringContainsString('first grid line', $outcome->said);
    }

    public function test_a_fraction_that_was_carried_is_gone_on_the_line(): void
    {
        $off = Make::after(Make::score([[100, 10, 60]]), 'nudge', ['by' => ['unit' => 'ticks', 'amount' => 0.4]]);
        $after = Make::after($off, 'snap-nudge');

        self::assertSame([240], Make::starts($after));
        self::assertSame(0.0, $after->part(1)->notes[1]->carryStart);
    }

    public function test_the_first_goes_to_a_tick_and_drift_travels_along(): void
    {
        $score = Make::after(Make::score([[490, 100, 60], [715, 100, 62]]), 'quantize');
        $after = Make::after($score, 'move-to', ['tick' => 3840]);

        self::assertSame([3840, 4080], Make::starts($after));
        self::assertSame([3850, 4075], Make::starts(Make::after($after, 'as-played')));
        self::assertSame('2 notes moved to 2.1.1.', Make::edit($score, 'move-to', ['tick' => 3840])->said);
    }

    public function test_nothing_is_put_later_than_a_file_can_say(): void
    {
        $score = Make::take(1);
        $far = ['unit' => 'bar', 'amount' => 1_000_000];
        foreach ([['move-to', ['tick' => Place::LAST], ['part' => 1, 'pick' => ['all' => true]]], ['nudge', ['steps' => 10_000, 'by' => $far], ['part' => 1, 'pick' => ['all' => true]]], ['nudge', ['steps' => 10_000, 'by' => $far], Make::on(AppliesTo::Points, $score)],
            ['part-move', ['to' => Place::LAST], ['parts' => [1]]], ['marker-set', ['name' => 'x', 'at' => Place::LAST], []], ['insert-time', ['from' => 0, 'to' => Place::LAST], ['parts' => [1]]],
            ['lane-draw', ['lane' => 'cc:1', 'points' => [[Place::LAST, 3]]], ['part' => 1, 'notes' => []]], ['insert', ['notes' => [['start' => 2 ** 41, 'pitch' => 60]]], ['part' => 1, 'notes' => []]]] as [$edit, $params, $on]) {
            try {
                Batch::once(['edit' => $edit, 'params' => $params, 'on' => $on], $score);
                self::fail("$edit went there");
            } catch (Refusal $refusal) {
                self::assertStringContainsString('would lie later than a song can be long', $refusal->getMessage(), $edit);
            }
        }
        // The last place of all can be saved, and is read again.
        $on = ['part' => 1, 'notes' => [1]];
        $length = $score->part(1)->notes[1]->length ?? 0;
        $after = Batch::once(['edit' => 'move-to', 'params' => ['tick' => Timeline::LAST - $length - 3840, 'lanes' => 'stay'], 'on' => $on], $score)->change->applyTo($score);
        $read = Importer::import(Reader::read(Writer::write(Exporter::export(new Song($after, new Source)))), 'x')[0];
        self::assertSame(Timeline::LAST - $length - 3840, max($read->score->part(1)->notes->integers('start')));
    }
}

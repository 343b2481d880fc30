<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Midi;

use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiFile;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Song;
use PHPUnit\Framework\TestCase;

/** What a file has is written back as it was until it is edited: also what a careful program would not have written. */
final class AsItWasTest extends TestCase
{
    /** @param  list<array{int, int, int, int}>  $events  delta, status, two data bytes; 96 ticks a quarter */
    private static function file(array $events, int $end = 0): string
    {
        $body = '';
        foreach ($events as [$delta, $status, $data1, $data2]) {
            $body .= self::quantity($delta).chr($status).chr($data1).chr($data2);
        }

        return self::whole($body.self::quantity($end)."\xFF\x2F\x00");
    }

    private static function whole(string $body): string
    {
        return 'MThd'.pack('Nnnn', 6, 1, 1, 96).'MTrk'.pack('N', strlen($body)).$body;
    }

    private static function quantity(int $n): string
    {
        return $n < 128 ? chr($n) : chr($n >> 7 | 0x80).chr($n & 0x7F);
    }

    /** @return array{Song, list<string>} */
    private static function song(string $bytes): array
    {
        return Importer::import(Reader::read($bytes), 'take');
    }

    /** @return list<Note> by id */
    private static function notes(Song $song): array
    {
        return array_values(array_values($song->score->parts)[0]->notes->all());
    }

    /** @return list<string> all events, whatever their order at one tick */
    private static function events(MidiFile $file): array
    {
        $all = [];
        foreach ($file->tracks as $i => $events) {
            foreach ($events as $e) {
                $all[] = sprintf('%d %09d %02X %02X %02X %s', $i, $e->tick, $e->status, $e->data1, $e->data2, bin2hex($e->bytes));
            }
        }
        sort($all);

        return $all;
    }

    private static function written(Song $song): MidiFile
    {
        return Reader::read(Writer::write(Exporter::export($song)));
    }

    public function test_whatever_note_ons_and_note_offs_a_file_has_are_written_back(): void
    {
        for ($seed = 1; $seed <= 400; $seed++) {
            mt_srand($seed);
            $events = [];
            for ($i = 0, $count = mt_rand(1, 40); $i < $count; $i++) {
                $events[] = [mt_rand(0, 3) * mt_rand(0, 24), [0x90, 0x90, 0x80, 0x90, 0xB0][mt_rand(0, 4)], 60 + mt_rand(0, 2), mt_rand(0, 1) * mt_rand(1, 127)];
            }
            $bytes = self::file($events, mt_rand(0, 50));
            [$song] = self::song($bytes);
            self::assertSame(self::events(Reader::read($bytes)), self::events(self::written($song)), "seed $seed");
        }
    }

    public function test_a_note_of_no_length_is_one_tick_to_see_and_none_in_the_file_until_it_is_edited(): void
    {
        $bytes = self::file([[0, 0x90, 60, 80], [0, 0x80, 60, 33], [96, 0x90, 62, 80], [0, 0x90, 62, 0]]);
        [$song, $warnings] = self::song($bytes);

        self::assertSame([10, 10], array_map(static fn (Note $n): int => $n->length, self::notes($song)));
        self::assertSame(['2 notes had no length; they were given one tick each.'], $warnings);
        self::assertSame(self::events(Reader::read($bytes)), self::events(self::written($song)));
        $edited = self::written(self::edited($song, static fn (Note $n): Note => $n->withPitch($n->pitch + 1)));
        self::assertContains('0 000000001 80 3D 40 ', self::events($edited), 'edited, it has an end of its own');
    }

    public function test_a_note_that_nobody_ends_has_no_end_in_the_file_until_it_is_edited(): void
    {
        $bytes = self::file([[0, 0x90, 60, 80], [96, 0x90, 62, 80]], 96);
        [$song, $warnings] = self::song($bytes);

        self::assertSame([1920, 960], array_map(static fn (Note $n): int => $n->length, self::notes($song)));
        self::assertSame(['2 notes never ended; they now end with their track.'], $warnings);
        self::assertSame(self::events(Reader::read($bytes)), self::events(self::written($song)));
        $edited = self::events(self::written(self::edited($song, static fn (Note $n): Note => $n->id === 1 ? $n->retimed(0, 480) : $n)));
        self::assertContains('0 000000048 80 3C 40 ', $edited);
        self::assertNotContains('0 000000192 80 3E 40 ', $edited, 'the other is as it was');
    }

    public function test_a_pitch_struck_again_before_it_ended_ends_there_where_one_note_off_is_for_both(): void
    {
        // Three times: on, on, off.
        $one = [[0, 0x90, 60, 80], [48, 0x90, 60, 70], [24, 0x80, 60, 64]];
        $bytes = self::file([...$one, [24, 0x90, 60, 80], ...array_slice($one, 1), [24, 0x90, 60, 80], ...array_slice($one, 1)], 96 * 50);
        [$song, $warnings] = self::song($bytes);

        self::assertSame([480, 240, 480, 240, 480, 240], array_map(static fn (Note $n): int => $n->length, self::notes($song)));
        self::assertSame(['3 notes were struck again before they ended; they end there.'], $warnings);
        self::assertSame(self::events(Reader::read($bytes)), self::events(self::written($song)));
        // Where the second is moved away, the first needs an end of its own.
        $edited = self::events(self::written(self::edited($song, static fn (Note $n): Note => $n->id === 2 ? $n->movedTo(4800) : $n)));
        self::assertContains('0 000000048 80 3C 40 ', $edited);
    }

    public function test_enough_note_offs_are_first_in_first_out(): void
    {
        [$song, $warnings] = self::song(self::file([[0, 0x90, 60, 80], [10, 0x90, 60, 70], [10, 0x80, 60, 1], [10, 0x80, 60, 2], [5, 0x80, 60, 3]]));

        self::assertSame([[200, 1], [200, 2]], array_map(static fn (Note $n): array => [$n->length, $n->release], self::notes($song)));
        self::assertSame(['1 note-off ended no note; it is kept.'], $warnings);
    }

    public function test_a_pause_longer_than_a_number_can_say_is_written_in_pieces(): void
    {
        [$song] = self::song(self::file([[0, 0x90, 60, 80], [96, 0x80, 60, 64]]));
        $far = 3_000_000_000;
        $moved = self::edited($song, static fn (Note $n): Note => $n->movedTo($far));
        $file = self::written($moved);

        $ons = array_values(array_filter($file->tracks[0], static fn (Event $e): bool => $e->status === 0x90));
        self::assertSame($far / 10, $ons[0]->tick);
        self::assertSame($far, self::notes(Importer::import($file, 'again')[0])[0]->start);
    }

    public function test_running_status_after_a_meta_event_is_read_as_it_was_meant(): void
    {
        $file = Reader::read(self::whole("\x00\x90\x3C\x50\x10\xFF\x01\x02hi\x10\x3E\x50\x10\xF0\x02\x7E\xF7\x10\x40\x50\x00\xFF\x2F\x00"));

        self::assertSame([[0, 60], [32, 62], [64, 64]], array_values(array_map(static fn (Event $e): array => [$e->tick, $e->data1], array_filter($file->tracks[0], static fn (Event $e): bool => $e->status === 0x90))));
        self::assertSame(['Track 1 goes on with a running status after an event that ends it (at byte 33); it is read as it was meant.'], $file->warnings);
    }

    public function test_of_two_files_joined_end_to_end_the_first_is_read(): void
    {
        $one = self::file([[0, 0x90, 60, 80], [96, 0x80, 60, 64]]);
        $file = Reader::read($one.self::file([[0, 0x90, 72, 80], [96, 0x80, 72, 64]]));

        self::assertCount(1, $file->tracks);
        self::assertSame([sprintf('Another file is joined on at byte %d; only the first is read.', strlen($one))], $file->warnings);
        self::assertSame(self::events(Reader::read($one)), self::events(self::written(Importer::import($file, 'x')[0])));
    }

    public function test_many_events_of_one_pitch_are_no_matter(): void
    {
        // 30,000 notes open at once, and 30,000 note-offs that end nothing.
        $ons = array_fill(0, 30_000, [0, 0x90, 60, 80]);
        $offs = array_fill(0, 60_000, [1, 0x80, 60, 64]);
        $bytes = self::file([...$ons, ...$offs]);
        [$song] = self::song($bytes);

        self::assertCount(30_000, self::notes($song));
        self::assertSame(self::events(Reader::read($bytes)), self::events(self::written($song)));
    }

    /** @param  \Closure(Note): Note  $change */
    private static function edited(Song $song, \Closure $change): Song
    {
        $part = array_values($song->score->parts)[0];
        $notes = array_values(array_map($change, $part->notes->all()));
        $changed = Part::of($part->id, $part->name, $notes, array_values($part->points->all()), $part->settings(), $part->head->withWindow(0, PHP_INT_MAX >> 20));

        return new Song($song->score->withPart($changed), $song->source);
    }
}

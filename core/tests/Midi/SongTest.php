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
use Jactonic\Core\Score\Song;
use Jactonic\Core\Tests\Support\Make;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** From a file to a song and back. */
final class SongTest extends TestCase
{
    private static function song(string $bytes): Song
    {
        return Importer::import(Reader::read($bytes), 'file')[0];
    }

    /**
     * Events of a file as sets by track and tick: order among those of one tick is the writer's own.
     *
     * @return list<list<string>>
     */
    private static function events(MidiFile $file): array
    {
        return array_map(static function (array $track): array {
            $events = array_map(static fn (Event $e): string => sprintf('%08d %02X %02X %02X %s', $e->tick, $e->status, $e->data1, $e->data2, bin2hex($e->bytes)), $track);
            sort($events);

            return $events;
        }, $file->tracks);
    }

    public function test_a_file_not_edited_goes_out_with_the_same_events(): void
    {
        $file = Reader::read(Smf::rich());

        self::assertSame(self::events($file), self::events(Exporter::export(self::song(Smf::rich()))));
        self::assertSame(96, Exporter::export(self::song(Smf::rich()))->division);
    }

    public function test_files_of_a_seeded_hand_go_out_with_the_same_events(): void
    {
        mt_srand(11);
        for ($try = 0; $try < 60; $try++) {
            $tracks = [];
            for ($t = mt_rand(1, 4); $t > 0; $t--) {
                $body = '';
                $open = [];
                for ($e = mt_rand(0, 60); $e > 0; $e--) {
                    $pitch = mt_rand(40, 50);
                    $channel = mt_rand(0, 3);
                    $delta = mt_rand(1, 300);
                    $key = sprintf('%X %02X', $channel, $pitch);
                    $kind = mt_rand(0, 5);
                    if ($kind <= 1) {
                        $body .= Smf::at($delta, sprintf('9%s %02X', $key, mt_rand(1, 127)));
                        $open[$key] = ($open[$key] ?? 0) + 1;
                    } elseif ($kind === 2 && ($open[$key] ?? 0) > 0) {
                        $body .= Smf::at($delta, sprintf('8%s %02X', $key, mt_rand(0, 127)));
                        $open[$key]--;
                    } else {
                        $body .= Smf::at($delta, match ($kind) {
                            3 => sprintf('B%X %02X %02X', $channel, mt_rand(0, 119), mt_rand(0, 127)),
                            4 => sprintf('E%X %02X %02X', $channel, mt_rand(0, 127), mt_rand(0, 127)),
                            5 => sprintf('C%X %02X', $channel, mt_rand(0, 127)),
                            default => 'FF 05 02 6C 61',
                        });
                    }
                }
                foreach ($open as $key => $count) {
                    $body .= str_repeat(Smf::at(1, "8$key 40"), $count);
                }
                $tracks[] = $body.Smf::END;
            }
            $bytes = Smf::file($tracks, count($tracks) === 1 ? mt_rand(0, 1) : 1, [96, 120, 480, 1000, 31_000][mt_rand(0, 4)]);
            $file = Reader::read($bytes);
            $song = self::song($bytes);
            self::assertSame(self::events($file), self::events(Reader::read(Writer::write(Exporter::export($song)))), "file $try");
        }
    }

    public function test_tracks_names_programs_and_times_are_found(): void
    {
        $song = self::song(Smf::rich());

        self::assertSame('Ferry', $song->name);
        self::assertSame(['Ferry', 'Bassür', ''], array_map(static fn ($t): string => $t->name, array_values($song->score->tracks)), 'text in Latin-1 is read too');
        self::assertSame([960, 1], [$song->score->time->ppq, $song->source->format]);
        self::assertSame('1.1.1', $song->score->time->position(0));
        self::assertSame(2.0, $song->score->time->tempos->seconds(3840));
        self::assertSame('2.3.1', $song->score->time->position(3840 + 1920));
        $bass = $song->score->part(1);
        self::assertSame([[30, 450, 36, 80, Note::RELEASE_BY_NOTE_ON, 1], [30, 450, 43, 81, Note::RELEASE_BY_NOTE_ON, 1], [940, 900, 38, 96, 33, 1]],
            array_values(array_map(static fn (Note $n): array => [$n->start, $n->length, $n->pitch, $n->velocity, $n->release, $n->channel], $bass->notes->all())));
        self::assertCount(8, $bass->points->all());
    }

    #[TestWith([96, 960])]
    #[TestWith([120, 960])]
    #[TestWith([256, 3840])]
    #[TestWith([480, 960])]
    #[TestWith([960, 960])]
    #[TestWith([1920, 1920])]
    #[TestWith([31_000, 31_000])]
    public function test_the_resolution_becomes_a_multiple_of_960_where_it_can(int $division, int $ppq): void
    {
        $song = self::song(Smf::file([Smf::at(7, '90 3C 40').Smf::at(5, '80 3C 40').Smf::END], 1, $division));

        self::assertSame($ppq, $song->score->time->ppq);
        self::assertSame(7 * intdiv($ppq, $division), $song->score->part(1)->notes[1]->start);
    }

    public function test_the_files_first_division_is_used_again_only_while_every_event_falls_on_it(): void
    {
        $song = self::song(Smf::file([Smf::at(96, '90 3C 40').Smf::at(96, '80 3C 40').Smf::END]));
        $score = $song->score;

        $bar = Exporter::export($song->withScore(Make::after($score, 'nudge', ['by' => ['unit' => 'bar', 'amount' => 1]])));
        self::assertSame([96, 480], [$bar->division, $bar->tracks[0][0]->tick]);
        $tick = Exporter::export($song->withScore(Make::after($score, 'nudge', ['by' => ['unit' => 'ticks', 'amount' => 1]])));
        self::assertSame([960, 961], [$tick->division, $tick->tracks[0][0]->tick]);
    }

    public function test_frames_of_a_second_keep_their_time(): void
    {
        // 25 frames of 40 ticks: 1000 ticks a second.
        $song = self::song(Smf::file([Smf::at(1500, '90 3C 40').Smf::at(250, '80 3C 40').Smf::END], 1, (256 - 25) << 8 | 40));
        $note = array_values($song->score->part(1)->notes->all())[0];

        self::assertEqualsWithDelta(1.5, $song->score->time->tempos->seconds($note->start), 1e-9);
        self::assertSame((256 - 25) << 8 | 40, Exporter::export($song)->division);
    }

    public function test_a_file_of_format_0_is_opened_by_channel_and_goes_back_as_one_track(): void
    {
        $bytes = Smf::file([Smf::at(0, 'FF 03 02 41 42').Smf::at(0, '92 3C 40').Smf::at(0, '90 3D 40').Smf::at(96, '80 3D 40').Smf::at(0, '82 3C 40').Smf::END], 0);
        $song = self::song($bytes);

        self::assertSame(['AB', 'Channel 1', 'Channel 3'], array_map(static fn ($t): string => $t->name, array_values($song->score->tracks)));
        $out = Exporter::export($song);
        self::assertSame([0, 1], [$out->format, count($out->tracks)]);
        self::assertSame(self::events(Reader::read($bytes)), self::events($out));
    }

    public function test_notes_never_ended_and_notes_struck_again_are_told_and_kept(): void
    {
        [$song, $warnings] = Importer::import(Reader::read(Smf::file([
            Smf::at(0, '90 3C 10').Smf::at(10, '90 3C 20').Smf::at(10, '80 3C 40').Smf::at(10, '80 3C 40').Smf::at(0, '90 40 30').Smf::at(5, '80 41 40').Smf::at(65, 'FF 2F 00'),
        ])), 'file');
        $notes = array_values($song->score->part(1)->notes->all());

        self::assertSame([[0, 200, 16], [100, 200, 32], [300, 700, 48]], array_map(static fn (Note $n): array => [$n->start, $n->length, $n->velocity], $notes), 'first in, first out');
        self::assertSame(['1 note never ended; it now ends with its track.', '1 note-off ended no note; it is kept.'], $warnings);
    }

    public function test_events_of_one_tick_are_written_in_a_stable_order(): void
    {
        $song = self::song(Smf::file([Smf::at(0, '90 3C 40').Smf::at(96, '90 3E 40').Smf::at(0, 'B0 40 7F').Smf::at(0, '80 3C 40').Smf::at(0, 'FF 06 01 41').Smf::at(96, '80 3E 40').Smf::END]));
        $at = array_filter(Exporter::export($song)->tracks[0], static fn (Event $e): bool => $e->tick === 96);

        self::assertSame([0xFF, 0x80, 0xB0, 0x90], array_values(array_map(static fn (Event $e): int => $e->status, $at)));
    }

    public function test_muted_notes_are_left_out_and_counted(): void
    {
        $song = self::song(Smf::rich());
        $muted = $song->withScore(Make::after($song->score, 'mute'));

        self::assertSame([3, 0, 0], Exporter::leftOut($muted));
        self::assertSame(['3 muted notes were left out of the file.'], Exporter::warnings($muted));
        $left = array_filter(Exporter::export($muted)->tracks[1], static fn (Event $e): bool => ($e->status & 0xF0) === 0x90);
        self::assertSame([], $left);
    }
}

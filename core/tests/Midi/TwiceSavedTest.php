<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Midi;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiFile;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\TestCase;

/** Events of one tick keep their order: what was saved once is the same when it is opened and saved again. */
final class TwiceSavedTest extends TestCase
{
    public function test_note_ons_of_several_channels_at_one_tick_keep_their_order_in_format_0(): void
    {
        for ($seed = 1; $seed <= 500; $seed++) {
            mt_srand($seed);
            $body = '';
            $sounding = [];
            for ($i = 0; $i < 24; $i++) {
                $delta = mt_rand(0, 2) === 0 ? mt_rand(1, 40) : 0;
                $key = mt_rand(0, 5) << 8 | mt_rand(50, 58);
                if (isset($sounding[$key])) {
                    $delta = max(1, $delta);
                    unset($sounding[$key]);
                    $body .= chr($delta).chr(0x80 | $key >> 8).chr($key & 0xFF).chr(64);
                } else {
                    // A tick begins with what ends there.
                    $sounding[$key] = true;
                    $body .= chr($delta).chr(0x90 | $key >> 8).chr($key & 0xFF).chr(mt_rand(1, 127));
                }
            }
            $bytes = Smf::file([$body."\x00\xFF\x2F\x00"], 0);
            $ons = static fn (string $b): array => array_map(static fn ($e): array => [$e->tick, $e->status, $e->data1, $e->data2], array_values(array_filter(Reader::read($b)->tracks[0], static fn ($e): bool => ($e->status & 0xF0) === 0x90)));
            self::assertSame($ons($bytes), $ons(self::saved(self::opened($bytes))), "file $seed");
        }
    }

    public function test_once_saved_is_twice_saved_after_any_edits(): void
    {
        $songs = (int) (getenv('JACTONIC_SAVES') ?: 300);
        $first = (int) (getenv('JACTONIC_SEED') ?: 1);
        for ($seed = $first; $seed < $first + $songs; $seed++) {
            mt_srand($seed);
            $song = self::opened(mt_rand(0, 2) === 0 ? self::richInOneTrack() : Smf::rich());
            $batch = new Batch($song->score);
            $done = [];
            for ($i = mt_rand(1, 5); $i > 0; $i--) {
                $command = self::command($batch->score);
                try {
                    $batch->run($command);
                    $done[] = $command;
                } catch (Refusal) {
                    // Another one.
                }
            }
            $once = self::saved(new Song($batch->score, $song->source));
            self::assertSame(bin2hex($once), bin2hex(self::saved(self::opened($once))), "song $seed: ".json_encode($done));
        }
    }

    /** All of the rich file in one track, as format 0 has it. */
    private static function richInOneTrack(): string
    {
        $rich = Reader::read(Smf::rich());
        $events = array_filter(array_merge(...$rich->tracks), static fn (Event $e): bool => $e->status !== 0xFF || $e->data1 !== 0x2F);
        usort($events, static fn (Event $a, Event $b): int => $a->tick <=> $b->tick);

        return Writer::write(new MidiFile(0, $rich->division, [[...$events, new Event(999, 0xFF, 0x2F)]]));
    }

    private static function opened(string $bytes): Song
    {
        return Importer::import(Reader::read($bytes), 'take')[0];
    }

    private static function saved(Song $song): string
    {
        return Writer::write(Exporter::export($song));
    }

    /** @return array<string, mixed> */
    private static function command(Score $score): array
    {
        $specs = Catalogue::specs();
        $spec = $specs[array_rand($specs)];
        $part = array_rand($score->parts ?: [1 => true]);
        $takes = $spec->takes === [] ? AppliesTo::Notes : $spec->takes[array_rand($spec->takes)];

        return ['edit' => $spec->id, 'params' => $spec->examples === [] ? [] : $spec->examples[array_rand($spec->examples)], 'on' => match ($takes) {
            AppliesTo::Tracks => ['tracks' => [array_rand($score->tracks)]],
            AppliesTo::Parts => ['parts' => [$part]],
            AppliesTo::Points => ['part' => $part, 'lane' => ['cc:7', 'cc:64', 'bend', 'program'][mt_rand(0, 3)], 'pick' => ['all' => true]],
            AppliesTo::Notes => ['part' => $part, 'pick' => mt_rand(0, 1) === 0 ? ['all' => true] : ['every' => ['n' => 2, 'from' => 1]]],
        }];
    }
}

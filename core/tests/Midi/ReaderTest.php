<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Midi;

use Jactonic\Core\Midi\Event;
use Jactonic\Core\Midi\MidiError;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ReaderTest extends TestCase
{
    public function test_every_kind_of_event_is_read(): void
    {
        $file = Reader::read(Smf::rich());

        self::assertSame([1, 96, 3, []], [$file->format, $file->division, count($file->tracks), $file->warnings]);
        self::assertEquals([
            new Event(0, 0xFF, 0x03, 0, 'Ferry'), new Event(0, 0xFF, 0x51, 0, "\x07\xA1\x20"), new Event(0, 0xFF, 0x58, 0, "\x04\x02\x18\x08"),
            new Event(0, 0xFF, 0x59, 0, "\xFF\x01"), new Event(96, 0xFF, 0x06, 0, 'Quay'), new Event(384, 0xFF, 0x58, 0, "\x03\x02\x18\x08"),
            new Event(384, 0xFF, 0x51, 0, "\x09\x27\xC0"), new Event(384, 0xFF, 0x2F),
        ], $file->tracks[0]);
        self::assertEquals([new Event(3, 0x91, 0x24, 0x50), new Event(3, 0x91, 0x2B, 0x51), new Event(48, 0x91, 0x24, 0)], array_slice($file->tracks[1], 5, 3));
        self::assertEquals(new Event(188, 0xF7, 0, 0, "\x11\x22"), $file->tracks[1][count($file->tracks[1]) - 2]);
    }

    public function test_what_was_read_is_written_as_the_same_events(): void
    {
        $file = Reader::read(Smf::rich());

        self::assertEquals($file, Reader::read(Writer::write($file)));
    }

    /** @return iterable<string, array{string, string}> */
    public static function broken(): iterable
    {
        $end = Smf::END;
        yield 'empty' => ['', '/empty.*\(at byte 0\)/'];
        yield 'text' => ['Dear producer, this is no song.', '/not a Standard MIDI File.*\(at byte 0\)/'];
        yield 'a zip' => ["PK\x03\x04rest", '/zip archive/'];
        yield 'half a header' => ["MThd\0\0\0\6\0\1", '/inside its header.*\(at byte 10\)/'];
        yield 'a header of no length' => ['MThd'.pack('Nnnn', 2, 1, 1, 96), '/header says it is 2 bytes.*\(at byte 4\)/'];
        yield 'format 3' => [Smf::file([$end], 3), '/format is 3.*\(at byte 8\)/'];
        yield 'a division of nought' => [Smf::file([$end], 1, 0), '/division.*\(at byte 12\)/'];
        yield 'frames that are none' => [Smf::file([$end], 1, 0xF000 | 40), '/division.*\(at byte 12\)/'];
        yield 'no tracks' => [Smf::file([]), '/no track.*\(at byte 14\)/'];
        yield 'data before any status' => [Smf::file([Smf::at(0, '40 40').$end]), '/no status.*\(at byte 23\)/'];
        yield 'data above 127' => [Smf::file([Smf::at(0, '90 3C 80').$end]), '/above 127.*\(at byte 25\)/'];
        yield 'a status that has no place' => [Smf::file([Smf::at(0, 'F8').$end]), '/0xF8.*\(at byte 23\)/'];
        yield 'a track that ends inside an event' => [Smf::file([Smf::at(0, '90 3C')]), '/length must be wrong.*\(at byte 24\)/'];
        yield 'a meta event longer than its track' => [Smf::file([Smf::at(0, 'FF 01 7F 41')]), '/length must be wrong/'];
        yield 'a number that never ends' => [Smf::file([Smf::at(0, '90 3C 40')."\xFF\xFF\xFF\xFF\x7F"]), '/longer than four bytes/'];
        yield 'bytes that are no chunk' => [Smf::file([$end])."\0\1\2\3\4\5\6\7", '/chunk should begin.*\(at byte 26\)/'];
    }

    #[DataProvider('broken')]
    public function test_a_broken_file_is_refused_with_the_byte_where_it_broke(string $bytes, string $why): void
    {
        $this->expectException(MidiError::class);
        $this->expectExceptionMessageMatches($why);
        Reader::read($bytes);
    }

    public function test_a_file_cut_off_anywhere_keeps_what_came_before_or_is_refused_in_words(): void
    {
        $bytes = Smf::rich();
        $whole = count(array_merge(...Reader::read($bytes)->tracks));
        $most = 0;
        for ($length = 0; $length < strlen($bytes); $length++) {
            try {
                $file = Reader::read(substr($bytes, 0, $length));
                $events = count(array_merge(...$file->tracks));
                self::assertGreaterThanOrEqual($most, $events + 3, "at $length bytes");
                self::assertNotSame([], $file->warnings, "at $length bytes");
                $most = max($most, $events);
            } catch (MidiError $e) {
                self::assertStringContainsString('byte', $e->getMessage());
                self::assertLessThan(26, $length, 'only a file without a track is refused');
            }
        }
        self::assertGreaterThan($whole - 4, $most);
    }

    public function test_no_bytes_whatever_make_it_fail_but_in_words(): void
    {
        mt_srand(3);
        $bytes = Smf::rich();
        for ($try = 0; $try < 3000; $try++) {
            $bad = $bytes;
            for ($k = mt_rand(1, 6); $k > 0; $k--) {
                $bad[mt_rand(0, strlen($bad) - 1)] = chr(mt_rand(0, 255));
            }
            try {
                $file = Reader::read($bad);
                self::assertNotSame([], $file->tracks);
            } catch (MidiError $e) {
                self::assertMatchesRegularExpression('/\.$/', $e->getMessage());
            }
        }
    }

    public function test_what_can_be_mended_is_mended_and_told(): void
    {
        $file = Reader::read('MThd'.pack('Nnnn', 6, 0, 5, 96).Smf::chunk('MTrk', Smf::at(0, '90 3C 40').Smf::at(9, '80 3C 00')).Smf::chunk('XFIH', 'mine').Smf::chunk('MTrk', Smf::END.'junk'));

        self::assertSame([1, 2], [$file->format, count($file->tracks)]);
        self::assertSame([[1, 'XFIH', 'mine']], $file->chunks);
        self::assertCount(4, $file->warnings);
    }

    public function test_what_stands_around_a_file_is_left_out_with_a_warning(): void
    {
        $plain = Smf::rich();
        $tracks = Reader::read($plain)->tracks;
        foreach ([
            $plain."\0\0\0\0\0\0\0\0\0\0" => '10 zero bytes behind the last track are left out.',
            $plain."\0" => '1 zero byte behind the last track is left out.',
            str_repeat("\x7F", 128).$plain => '128 bytes before the file’s header are left out.',
            'RIFF'.pack('V', strlen($plain) + 30).'RMIDdisp'.pack('V', 3)."abc\0data".pack('V', strlen($plain)).$plain.'LIST'.pack('V', 2).'ab' => 'The file is wrapped in RIFF (.rmi); what is inside is read, and saved as a plain MIDI file.',
        ] as $bytes => $warning) {
            $file = Reader::read($bytes);
            self::assertSame([$warning], $file->warnings);
            self::assertEquals($tracks, $file->tracks);
        }
    }

    public function test_another_kind_of_file_is_named(): void
    {
        foreach (["\x1F\x8B\x08" => 'gzip', "\xF0\x43\x10\xF7" => '.syx', '<?xml version="1.0"?><a/>' => 'XML', '<!DOCTYPE x>' => 'XML', 'RIFF1234WAVEfmt ' => 'WAV', 'FORM1234AIFF' => 'AIFF', 'ID3xxxx' => 'MP3', 'OggSxxxx' => 'Ogg', 'fLaCxx' => 'FLAC', "\0\0\0\x20ftypM4A " => 'MP4', "PK\x03\x04" => 'zip', 'RIFF1234RMIDdata' => 'RIFF', 'hello' => 'MThd', "\0\0\0" => 'MThd'] as $bytes => $named) {
            try {
                Reader::read($bytes);
                self::fail("It was read: $named");
            } catch (MidiError $e) {
                self::assertStringContainsString($named, $e->getMessage());
            }
        }
    }

    public function test_where_the_file_is_wrapped_bytes_are_counted_from_the_beginning(): void
    {
        $this->expectExceptionMessage('(at byte 30)');
        Reader::read(str_repeat('.', 16).'MThd'.pack('Nnnn', 6, 1, 1, 96)."\1\2\3\4\5\6\7\x8");
    }
}

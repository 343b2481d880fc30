<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Support;

/** Writes MIDI files byte by byte, right or wrong, apart from the code under test. */
final class Smf
{
    public const END = "\x00\xFF\x2F\x00";

    /** @param  list<string>  $tracks bodies of tracks, each with its end-of-track event */
    public static function file(array $tracks, int $format = 1, int $division = 96): string
    {
        return 'MThd'.pack('Nnnn', 6, $format, count($tracks), $division).implode('', array_map(static fn (string $t): string => self::chunk('MTrk', $t), $tracks));
    }

    public static function chunk(string $id, string $body): string
    {
        return $id.pack('N', strlen($body)).$body;
    }

    /** A quantity of variable length. */
    public static function vlq(int $n): string
    {
        $bytes = chr($n & 0x7F);
        while ($n >>= 7) {
            $bytes = chr($n & 0x7F | 0x80).$bytes;
        }

        return $bytes;
    }

    /** An event after so many ticks; bytes in hexadecimal. */
    public static function at(int $delta, string $hex): string
    {
        return self::vlq($delta).hex2bin(str_replace(' ', '', $hex));
    }

    /** A file with something of everything. */
    public static function rich(): string
    {
        return self::file([
            self::at(0, 'FF 03 05 46 65 72 72 79').self::at(0, 'FF 51 03 07 A1 20').self::at(0, 'FF 58 04 04 02 18 08').self::at(0, 'FF 59 02 FF 01')
                .self::at(96, 'FF 06 04 51 75 61 79').self::at(288, 'FF 58 04 03 02 18 08').self::at(0, 'FF 51 03 09 27 C0').self::END,
            self::at(0, 'FF 03 06 42 61 73 73 FC 72').self::at(0, 'F0 05 7E 7F 09 01 F7').self::at(0, 'B1 00 00').self::at(0, 'C1 20').self::at(0, 'B1 07 64')
                // Running status, a note-off by velocity 0, a bend, pressure of both kinds, a pedal, an unknown meta event.
                .self::at(3, '91 24 50').self::at(0, '2B 51').self::at(45, '24 00').self::at(0, '2B 00').self::at(0, 'E1 00 50').self::at(5, 'D1 33').self::at(1, 'A1 30 22')
                .self::at(0, 'B1 40 7F').self::at(40, '91 26 60').self::at(90, '81 26 21').self::at(0, 'B1 40 00').self::at(2, 'FF 7F 03 01 02 03').self::at(2, 'F7 02 11 22').self::END,
            self::at(0, '99 2A 40').self::at(24, '89 2A 00').self::at(0, '99 2A 41').self::at(24, '89 2A 00').self::END,
        ]);
    }
}

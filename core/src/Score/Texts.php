<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Texts that stand in columns, each under a number, so that a column of them lies packed as others do. What is written out has the texts themselves. */
final class Texts
{
    /** @var list<string> */
    private static array $texts = [''];

    /** @var array<string, int> */
    private static array $numbers = ['' => 0];

    public static function number(mixed $text): int
    {
        $text = is_string($text) ? $text : '';
        if (! isset(self::$numbers[$text])) {
            self::$numbers[$text] = count(self::$texts);
            self::$texts[] = $text;
        }

        return self::$numbers[$text];
    }

    public static function text(int $number): string
    {
        return self::$texts[$number] ?? '';
    }

    /** A packed column as it is kept: the length of it all in 32 bits, then each text with its length before it. */
    public static function write(string $packed): string
    {
        $out = '';
        foreach (unpack('V*', $packed) ?: [] as $number) {
            $text = self::text(is_int($number) ? $number : 0);
            $out .= pack('V', strlen($text)).$text;
        }

        return pack('V', strlen($out)).$out;
    }

    /**
     * What `write` wrote.
     *
     * @param  int  $at  where it begins in a document
     * @return array{string, int} the packed column, and how many bytes it took
     */
    public static function read(string $document, int $at): array
    {
        $length = self::int($document, $at);
        $packed = '';
        for ($place = $at + 4; $place < $at + 4 + $length;) {
            $size = self::int($document, $place);
            $packed .= pack('V', self::number(substr($document, $place + 4, $size)));
            $place += 4 + $size;
        }

        return [$packed, 4 + $length];
    }

    private static function int(string $bytes, int $at): int
    {
        $read = unpack('V', $bytes, $at)[1] ?? 0;

        return is_int($read) ? $read : 0;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Standard;

/** The messages of the MIDI standard, as one table from which reading, writing and checking follow. */
final class Message
{
    /** Data bytes of each channel message, by its upper four bits. */
    public const DATA_BYTES = [0x80 => 2, 0x90 => 2, 0xA0 => 2, 0xB0 => 2, 0xC0 => 1, 0xD0 => 1, 0xE0 => 2];

    public const NOTE_OFF = 0x80;

    public const NOTE_ON = 0x90;

    public const CONTROLLER = 0xB0;

    public const PROGRAM = 0xC0;

    public const BEND = 0xE0;

    public const SYSTEM_EXCLUSIVE = 0xF0;

    public const ESCAPE = 0xF7;

    public const META = 0xFF;

    public const META_TEXT = 0x01;

    public const META_TRACK_NAME = 0x03;

    public const META_MARKER = 0x06;

    /** The channel that the meta events after it, at the same tick, are of. */
    public const META_CHANNEL = 0x20;

    public const META_END = 0x2F;

    public const META_TEMPO = 0x51;

    public const META_METER = 0x58;

    public const META_KEY = 0x59;

    /** Text out of a file: UTF-8 where it is valid, else Latin-1; control characters become spaces. */
    public static function text(string $bytes): string
    {
        $text = mb_check_encoding($bytes, 'UTF-8') ? $bytes : mb_convert_encoding($bytes, 'UTF-8', 'ISO-8859-1');

        return trim((string) preg_replace('/[\x00-\x1F\x7F]+/u', ' ', (string) $text));
    }
}

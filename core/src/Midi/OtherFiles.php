<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/** Files that are given by mistake in place of a Standard MIDI File, known by how they begin. */
final class OtherFiles
{
    private const AUDIO = 'it is sound, not notes: an audio file of the kind %s';

    /** Regular expressions for the first bytes, and what the file is. */
    private const KINDS = [
        '/^PK(\x03\x04|\x05\x06)/' => 'it is a zip archive; unpack it first',
        '/^\x1F\x8B/' => 'it is packed with gzip; unpack it first',
        '/^\xF0.*\xF7/s' => 'it is a dump of system exclusive messages (.syx), which holds settings of an instrument and no notes',
        '/^(\xEF\xBB\xBF)?\s*<(\?xml|!DOCTYPE|score-)|^(\xFE\xFF\x00<|\xFF\xFE<\x00)/i' => 'it is XML, as notation programs write it; save it there as a MIDI file',
        '/^(RIFF|RF64)....WAVE/s' => [self::AUDIO, 'WAV'],
        '/^FORM....AIF[FC]/s' => [self::AUDIO, 'AIFF'],
        '/^fLaC/' => [self::AUDIO, 'FLAC'],
        '/^OggS/' => [self::AUDIO, 'Ogg'],
        '/^(ID3|\xFF[\xE2\xE3\xF2\xF3\xFA\xFB])/' => [self::AUDIO, 'MP3'],
        '/^....ftyp/s' => [self::AUDIO, 'MP4'],
    ];

    /** What a file is that is none of notes; null where that is not known. */
    public static function name(string $bytes): ?string
    {
        foreach (self::KINDS as $pattern => $kind) {
            if (preg_match($pattern, $bytes) === 1) {
                return is_array($kind) ? sprintf(...$kind) : $kind;
            }
        }

        return null;
    }
}

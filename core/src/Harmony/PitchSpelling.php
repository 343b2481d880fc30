<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

/** The twelve tones: their letters and signs, and how they are spelled in a key. */
final class PitchSpelling
{
    /** A tone as it is typed, as a pattern with the letter and the sign as its groups. */
    public const PATTERN = '([A-Ga-g])([#b♯♭]?)';

    private const LETTERS = ['C' => 0, 'D' => 2, 'E' => 4, 'F' => 5, 'G' => 7, 'A' => 9, 'B' => 11];

    private const SIGNS = ['' => 0, '#' => 1, '♯' => 1, 'b' => -1, '♭' => -1];

    private const SHARPS = ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'];

    private const FLATS = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'];

    private const MIXED = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    /** Semitones above C by letter and sign: −1 for Cb, 12 for B#. */
    public static function of(string $letter, string $sign): int
    {
        return self::LETTERS[strtoupper($letter)] + self::sign($sign);
    }

    /** 1 for a sharp, −1 for a flat, 0 for anything else. */
    public static function sign(string $sign): int
    {
        return self::SIGNS[mb_strtolower($sign)] ?? 0;
    }

    /**
     * The names of the twelve tones from C.
     *
     * @param  int|null  $sharps  of the key signature, below 0 for flats; null where there is none
     * @return list<string>
     */
    public static function names(?int $sharps = null): array
    {
        return match (true) {
            $sharps === null || $sharps === 0 => self::MIXED,
            $sharps > 0 => self::SHARPS,
            default => self::FLATS,
        };
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Standard\GeneralMidi;

/** Names of pitches; 60 is C4. */
final class Pitch
{
    /** The twelve tones, spelled with sharps, with flats, and as they are spelled where no key says how. */
    private const SHARPS = ['C', 'C♯', 'D', 'D♯', 'E', 'F', 'F♯', 'G', 'G♯', 'A', 'A♯', 'B'];

    private const FLATS = ['C', 'D♭', 'D', 'E♭', 'E', 'F', 'G♭', 'G', 'A♭', 'A', 'B♭', 'B'];

    private const MIXED = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    private const STEPS = ['C' => 0, 'D' => 2, 'E' => 4, 'F' => 5, 'G' => 7, 'A' => 9, 'B' => 11];

    /** What drummers say for what the standard calls otherwise. */
    private const DRUM_WORDS = ['kick' => 36, 'snare' => 38, 'rim' => 37, 'clap' => 39, 'hat' => 42, 'open hat' => 46, 'ride' => 51, 'crash' => 49];

    /**
     * The names of the twelve tones from C.
     *
     * @param  int|null  $sharps  of the key signature, below 0 for flats; null where there is none
     * @return list<string>
     */
    public static function tones(?int $sharps = null): array
    {
        return match (true) {
            $sharps === null || $sharps === 0 => self::MIXED,
            $sharps > 0 => self::SHARPS,
            default => self::FLATS,
        };
    }

    /** @param  int|null  $sharps  of the key signature, below 0 for flats */
    public static function name(int $pitch, ?int $sharps = null): string
    {
        return self::tones($sharps)[$pitch % 12].(intdiv($pitch, 12) - 1);
    }

    /** A pitch by its name, or by that of a drum; null where it is neither. */
    public static function parse(string $name): ?int
    {
        if (preg_match('/^\s*([a-g])([#b♯♭]?)(-?\d)\s*$/iu', $name, $parts) === 1) {
            $pitch = self::STEPS[strtoupper($parts[1])] + ['' => 0, '#' => 1, '♯' => 1, 'b' => -1, '♭' => -1][mb_strtolower($parts[2])] + 12 * ((int) $parts[3] + 1);

            return $pitch >= 0 && $pitch <= 127 ? $pitch : null;
        }
        $words = preg_split('/[\s-]+/', strtolower(trim($name)), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        if (isset(self::DRUM_WORDS[implode(' ', $words)])) {
            return self::DRUM_WORDS[implode(' ', $words)];
        }
        $whole = array_search(strtolower(trim($name)), array_map(strtolower(...), GeneralMidi::DRUMS), true);
        if (is_int($whole)) {
            return $whole;
        }
        foreach ($words === [] ? [] : GeneralMidi::DRUMS as $pitch => $drum) {
            $of = preg_split('/[\s-]+/', strtolower($drum)) ?: [];
            if (array_diff($words, $of) === []) {
                return $pitch;
            }
        }

        return null;
    }
}

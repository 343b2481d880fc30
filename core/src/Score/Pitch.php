<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Harmony\PitchSpelling;
use Jactonic\Core\Standard\GeneralMidi;

/** Names of pitches; 60 is C4. */
final class Pitch
{
    /** What drummers say for what the standard calls otherwise. */
    private const DRUM_WORDS = ['kick' => 36, 'snare' => 38, 'rim' => 37, 'clap' => 39, 'hat' => 42, 'open hat' => 46, 'ride' => 51, 'crash' => 49];

    /** @param  int|null  $sharps  of the key signature, below 0 for flats */
    public static function name(int $pitch, ?int $sharps = null): string
    {
        return PitchSpelling::names($sharps)[$pitch % 12].(intdiv($pitch, 12) - 1);
    }

    /** A pitch by its name, or by that of a drum; null where it is neither. */
    public static function parse(string $name): ?int
    {
        if (preg_match('/^\s*'.PitchSpelling::PATTERN.'(-?\d)\s*$/iu', $name, $parts) === 1) {
            $pitch = PitchSpelling::of($parts[1], $parts[2]) + 12 * ((int) $parts[3] + 1);

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

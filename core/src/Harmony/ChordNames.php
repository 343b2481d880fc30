<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

/**
 * Names chords by what sounds: the inverse of Chord::parse. A name says all tones that sound; where a chord of four
 * tones or more lacks its fifth it is named as if it had it, as players do. Of several names that fit, the one that
 * lacks no tone, then the one with the bass as its root and the fewest tensions: for one tension less the bass may be
 * another tone.
 */
final class ChordNames
{
    /** Kinds as they are typed, with their tones above the root; of kinds as good the earlier is taken. */
    private const KINDS = [
        '' => [0, 4, 7], 'm' => [0, 3, 7], 'dim' => [0, 3, 6], '+' => [0, 4, 8], 'sus4' => [0, 5, 7], 'sus2' => [0, 2, 7], '5' => [0, 7],
        '7' => [0, 4, 7, 10], 'm7' => [0, 3, 7, 10], 'maj7' => [0, 4, 7, 11], 'm7b5' => [0, 3, 6, 10], 'dim7' => [0, 3, 6, 9], 'mmaj7' => [0, 3, 7, 11],
        '6' => [0, 4, 7, 9], 'm6' => [0, 3, 7, 9], '7sus4' => [0, 5, 7, 10], '+7' => [0, 4, 8, 10], '+maj7' => [0, 4, 8, 11], 'dimmaj7' => [0, 3, 6, 11],
        'add9' => [0, 2, 4, 7], 'madd9' => [0, 2, 3, 7], 'add11' => [0, 4, 5, 7], 'madd11' => [0, 3, 5, 7], '7b5' => [0, 4, 6, 10], 'maj7b5' => [0, 4, 6, 11], '7no3' => [0, 7, 10],
        '9' => [0, 2, 4, 7, 10], 'm9' => [0, 2, 3, 7, 10], 'maj9' => [0, 2, 4, 7, 11], 'mmaj9' => [0, 2, 3, 7, 11], '9sus4' => [0, 2, 5, 7, 10], 'm9b5' => [0, 2, 3, 6, 10],
        '6/9' => [0, 2, 4, 7, 9], 'm6/9' => [0, 2, 3, 7, 9], '7b9' => [0, 1, 4, 7, 10], '7#9' => [0, 3, 4, 7, 10], '7#11' => [0, 4, 6, 7, 10], '7b13' => [0, 4, 7, 8, 10],
        'maj7#11' => [0, 4, 6, 7, 11], '7add13' => [0, 4, 7, 9, 10], 'm7add13' => [0, 3, 7, 9, 10], 'maj7add13' => [0, 4, 7, 9, 11], 'm7add11' => [0, 3, 5, 7, 10], '7b9sus4' => [0, 1, 5, 7, 10],
        '+7b9' => [0, 1, 4, 8, 10], '+7#9' => [0, 3, 4, 8, 10], '+9' => [0, 2, 4, 8, 10], '9b5' => [0, 2, 4, 6, 10], '7b5b9' => [0, 1, 4, 6, 10], 'm7b5add11' => [0, 3, 5, 6, 10],
        'maj13' => [0, 2, 4, 7, 9, 11], 'm11' => [0, 2, 3, 5, 7, 10], '11' => [0, 2, 4, 5, 7, 10], '9#11' => [0, 2, 4, 6, 7, 10], 'maj9#11' => [0, 2, 4, 6, 7, 11], '13' => [0, 2, 4, 7, 9, 10], 'm13' => [0, 2, 3, 7, 9, 10],
        '13sus4' => [0, 2, 5, 7, 9, 10], '7b9b13' => [0, 1, 4, 7, 8, 10], '7#9b13' => [0, 3, 4, 7, 8, 10], '9b13' => [0, 2, 4, 7, 8, 10], '13b9' => [0, 1, 4, 7, 9, 10],
        '13#9' => [0, 3, 4, 7, 9, 10], '7b9#11' => [0, 1, 4, 6, 7, 10], '7#9#11' => [0, 3, 4, 6, 7, 10], '13#11' => [0, 2, 4, 6, 7, 9, 10], 'maj13#11' => [0, 2, 4, 6, 7, 9, 11],
    ];

    /** Kinds that may stand over a bass that is none of their tones. */
    private const OVER = ['', 'm', '7', 'm7', 'maj7', 'm9'];

    /** Kinds that are known by their third and seventh, however they lie. */
    private const PLAIN = ['7', 'm7', 'maj7', 'mmaj7', '9', 'm9', 'maj9', '13', 'maj13', '7b9', '7#9', '7#11', '7b13', 'maj7#11', 'm11'];

    /** What it weighs that the bass is not the root, in tensions. */
    private const TURNED = 0.9;

    private const FIFTH = 7;

    /**
     * @param  non-empty-list<int>  $pitches  that sound together
     * @param  int|null  $sharps  of the key that it is spelled in, below 0 for flats; null where there is none
     * @return array{name: string, root: int, bass: int, classes: list<int>}|null pitch classes 0–11 from C; null where it is no chord
     */
    public static function of(array $pitches, ?int $sharps = null): ?array
    {
        $bass = min($pitches) % 12;
        $classes = array_values(array_unique(array_map(static fn (int $p): int => $p % 12, $pitches)));
        sort($classes);
        // Four tones within a fourth are a cluster.
        if (count($classes) > 3 && max($pitches) - min($pitches) <= 5) {
            return null;
        }
        $found = self::best($classes, $bass);
        if ($found === null && count($classes) > 3) {
            $over = self::best(array_values(array_diff($classes, [$bass])), null);
            $found = $over !== null && in_array($over[1], self::OVER, true) ? $over : null;
        }
        if ($found === null) {
            return null;
        }
        [$root, $kind] = $found;
        $tones = PitchSpelling::names($sharps);

        return ['name' => $tones[$root].$kind.($bass === $root ? '' : '/'.$tones[$bass]), 'root' => $root, 'bass' => $bass, 'classes' => $classes];
    }

    /**
     * @param  list<int>  $classes
     * @param  int|null  $bass  null where the bass stands apart: then no tone may lack
     * @return array{int, string}|null root and kind
     */
    private static function best(array $classes, ?int $bass): ?array
    {
        $best = null;
        foreach ($classes as $root) {
            $tones = array_map(static fn (int $c): int => ($c - $root + 12) % 12, $classes);
            sort($tones);
            [$kind, $lacks] = self::kind($tones, $bass !== null);
            // Without its fifth and off its root, only what is plain is still heard as that.
            if ($kind === null || ($lacks && $root !== $bass && ! in_array($kind, self::PLAIN, true))) {
                continue;
            }
            $weight = [$lacks ? 1 : 0, self::tensions($kind) + ($root === $bass ? 0.0 : self::TURNED), array_search($kind, array_keys(self::KINDS), true)];
            if ($best === null || $weight < $best[2]) {
                $best = [$root, $kind, $weight];
            }
        }

        return $best === null ? null : [$best[0], $best[1]];
    }

    /**
     * @param  list<int>  $tones  above the root, ascending
     * @return array{string|null, bool} the kind, and whether its fifth is missing
     */
    private static function kind(array $tones, bool $mayLack): array
    {
        static $kinds = null;
        if ($kinds === null) {
            $kinds = [];
            foreach (self::KINDS as $kind => $all) {
                $kinds[implode(' ', $all)] ??= (string) $kind;
            }
        }
        /** @var array<string, string> $kinds */
        $whole = $kinds[implode(' ', $tones)] ?? null;
        if ($whole !== null || ! $mayLack || in_array(self::FIFTH, $tones, true) || count($tones) < 3) {
            return [$whole, false];
        }
        $with = [...$tones, self::FIFTH];
        sort($with);
        $kind = $kinds[implode(' ', $with)] ?? null;

        // A seventh is what makes three tones without a fifth a chord.
        return $kind !== null && (in_array(10, $tones, true) || in_array(11, $tones, true)) ? [$kind, true] : [null, false];
    }

    /** How much a name says beyond a triad. */
    private static function tensions(string $kind): int
    {
        return $kind === 'm7b5' ? 1 : count(self::KINDS[$kind] ?? []) - 3 + (int) preg_match_all('/[#b]|add|no|\+/', $kind);
    }
}

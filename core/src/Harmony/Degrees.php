<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

use Jactonic\Core\Refusal;

/**
 * Chords by their degree in a scale: ii7, V7/V, bVI, vii°7. Capitals are major, small letters minor; a sign before the
 * degree counts from the major scale on the root, and what stands after a stroke is the chord that it leads to.
 */
final class Degrees
{
    public const PATTERN = '[b#♭♯]?(?:VII|III|IV|VI|II|V|I|vii|iii|iv|vi|ii|v|i)';

    private const PLACES = ['I' => 0, 'II' => 1, 'III' => 2, 'IV' => 3, 'V' => 4, 'VI' => 5, 'VII' => 6];

    public static function looksLike(string $text): bool
    {
        return preg_match('/^'.self::PATTERN.'(?![a-z])/u', $text) === 1 || preg_match('/^'.self::PATTERN.'(?:maj|dim|aug|sus|add|m)/u', $text) === 1;
    }

    /** @throws Refusal for what is none, saying from where on */
    public static function parse(string $text, Scale $scale, string $parameter = 'chords'): Chord
    {
        if (preg_match('/^('.self::PATTERN.')(.*?)(?:\/('.self::PATTERN.'))?$/u', $text, $parts) !== 1) {
            throw Refusal::parameter($parameter, $text, 'a degree such as ii7, V7/V, bVI, vii°7');
        }
        $home = $scale;
        if (isset($parts[3])) {
            // Led to, it is a home of its own for a moment.
            $to = self::root($parts[3], $scale);
            $home = Scale::parse(PitchSpelling::names($scale->sharps())[$to].(self::isMinor($parts[3]) ? ' minor' : ' major'));
        }
        $root = self::root($parts[1], $home);
        $kind = $parts[2];
        if (self::isMinor($parts[1]) && preg_match('/^(°|ø|o|dim|m(?!aj)|-)/u', $kind) !== 1) {
            $kind = 'm'.$kind;
        }
        $name = PitchSpelling::names($scale->sharps())[$root].$kind;

        return Chord::on($root, $kind, $name, $parameter);
    }

    private static function isMinor(string $degree): bool
    {
        $numeral = (string) preg_replace('/[^ivIV]/u', '', $degree);

        return $numeral === strtolower($numeral);
    }

    private static function root(string $degree, Scale $scale): int
    {
        $place = self::PLACES[strtoupper((string) preg_replace('/[^ivIV]/u', '', $degree))] ?? 0;
        $sign = PitchSpelling::sign(mb_substr($degree, 0, 1));
        // Of a scale of other than seven steps there are no degrees: they are those of major.
        $steps = $sign !== 0 || count($scale->steps) !== 7 ? Scale::KINDS['major'] : $scale->steps;

        return ($scale->root + $steps[$place] + $sign + 12) % 12;
    }
}

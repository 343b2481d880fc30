<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Pitch\SoundingPitches;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Harmony\PitchSpelling as Spelled;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Shape;

/**
 * The likeliest scales, with how much of the sounding time each explains. Of scales that explain as much, the one whose
 * root and fifth sound most, and of those the more usual one.
 */
final class Key implements Reading
{
    /** Kinds looked at, and what speaks against each by itself. */
    private const KINDS = [
        'major' => 0.0, 'minor' => 0.0, 'harmonic minor' => 0.03, 'dorian' => 0.04, 'mixolydian' => 0.04, 'melodic minor' => 0.04, 'lydian' => 0.06, 'phrygian' => 0.06,
        'major pentatonic' => 0.06, 'minor pentatonic' => 0.06, 'blues' => 0.07,
    ];

    /** What is explained weighs most. */
    private const SHARE = 3.0;

    private const ROOT = 0.14;

    private const FIFTH = 0.05;

    /** What the bass of the first stroke and of the last speak for their root. */
    private const ENDS = 0.03;

    private const SHOWN = 8;

    public static function spec(): Spec
    {
        return new Spec('key', 'Likely scales', Family::Harmony, 'The likeliest scales, with how much each explains.', [], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object([
            'scales' => Shape::list(Shape::object(['scale' => Shape::text(), 'share' => Shape::told('Of the sounding time.', Shape::number(0, 1))])),
            'said' => Shape::text(),
        ]);
    }

    /** @return array{scales: list<array{scale: string, share: float}>, said: string} the likeliest first; share of the sounding time, 0 to 1 */
    public function read(EditInput $input): array
    {
        $tones = SoundingPitches::of($input);
        $weights = array_fill(0, 12, 0);
        foreach ($tones as [$start, $end, $pitch]) {
            $weights[$pitch % 12] += $end - $start;
        }
        $all = array_sum($weights);
        if ($tones === []) {
            return ['scales' => [], 'said' => 'There are no notes to read a scale from.'];
        }
        $ends = [self::bass($tones), self::bass([$tones[count($tones) - 1], ...array_reverse($tones)])];
        $found = [];
        foreach (self::KINDS as $kind => $against) {
            for ($root = 0; $root < 12; $root++) {
                $scale = self::scale($root, $kind);
                $share = array_sum(array_map(static fn (int $class): int => $weights[$class], $scale->classes())) / $all;
                $weight = self::SHARE * $share - $against + self::ROOT * $weights[$root] / $all + self::FIFTH * $weights[($root + 7) % 12] / $all + self::ENDS * count(array_keys($ends, $root, true));
                $found[] = ['scale' => $scale->name, 'share' => round($share, 4), 'weight' => $weight];
            }
        }
        usort($found, static fn (array $a, array $b): int => $b['weight'] <=> $a['weight']);
        $shown = array_map(static fn (array $f): array => ['scale' => $f['scale'], 'share' => $f['share']], array_slice($found, 0, self::SHOWN));

        return ['scales' => $shown, 'said' => sprintf('%s is likeliest: it explains %d %% of what sounds; then %s with %d %%.', $shown[0]['scale'], round($shown[0]['share'] * 100), $shown[1]['scale'] ?? '', round(($shown[1]['share'] ?? 0) * 100))];
    }

    /** A scale with its root as its own key spells it. */
    public static function scale(int $root, string $kind): Scale
    {
        $plain = Scale::parse(['root' => Spelled::names()[$root], 'kind' => $kind]);

        return Scale::parse(['root' => Spelled::names($plain->sharps())[$root], 'kind' => $kind]);
    }

    /**
     * The pitch class of the lowest of the tones that begin about with the first.
     *
     * @param  non-empty-list<array{int, int, int}>  $tones
     */
    private static function bass(array $tones): int
    {
        $start = $tones[0][0];
        $near = array_filter(array_slice($tones, 0, 12), static fn (array $t): bool => abs($t[0] - $start) < 120);

        return min([$tones[0][2], ...array_column($near, 2)]) % 12;
    }
}

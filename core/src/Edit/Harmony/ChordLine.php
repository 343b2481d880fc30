<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Harmony;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Pitch\SoundingPitches;
use Jactonic\Core\Harmony\ChordNames;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Selection\GatherWindow;

/**
 * Names the chords that sound, over one part or several together, with their bass, spelled as the key spells.
 *
 * By change, each stroke is looked at with what sounds on under it; tones that belong to the chord before do not make
 * another. By beat or bar, all that sounds there for a good part of it counts. With arpeggios, all that begins in a bar
 * counts as if it sounded throughout.
 *
 * @phpstan-type Tone array{int, int, int}
 */
final class ChordLine
{
    /** What sounds for less of a beat or bar than this share of its longest tone is a passing note. */
    private const PASSING = 0.3;

    /** What does not begin in a beat or bar counts there where it sounds for this share of it. */
    private const RINGING = 0.34;

    /** A note held over from before counts where it goes on for this share of a quarter. */
    private const LINGERING = 0.5;

    /** Tones that come in so soon after others that sound on, as a share of a quarter, complete their chord. */
    private const STRUMMED = 0.25;

    /** Bars written as text at most. */
    private const WRITTEN = 999;

    /** @return list<Param> what it can be asked for by */
    public static function params(): array
    {
        return [
            Param::choice('every', 'A name', ['change', 'beat', 'bar'], 'change'),
            Param::flag('arpeggios', 'Notes of a bar gathered'),
            Param::flag('pedal', 'As long as the pedal holds them'),
        ];
    }

    /**
     * The chords of the parts that are named, in order of time.
     *
     * @param  string  $every  change, beat or bar
     * @return list<array{int, int, string, list<int>}> from, to, name and pitch classes (0–11 from C) of each
     */
    public static function of(EditInput $input, string $every, bool $arpeggios = false, bool $pedal = false): array
    {
        $tones = SoundingPitches::of($input, $pedal);
        $found = $every === 'change' && ! $arpeggios ? self::byChange($input, $tones) : self::byWindow($input, $tones, $every === 'beat', $arpeggios);

        return self::joined($found, 4 * $input->time()->ppq);
    }

    /**
     * @param  list<Tone>  $tones
     * @return list<array{int, int, string, list<int>}>
     */
    private static function byChange(EditInput $input, array $tones): array
    {
        $time = $input->time();
        $lingering = (int) ($time->ppq * self::LINGERING);
        $found = $active = [];
        /** @var array{int, int, string, list<int>}|null $now */
        $now = null;
        $count = count($tones);
        $window = GatherWindow::of(array_column($tones, 0), $time);
        for ($i = 0; $i < $count; $i = $j) {
            $start = $tones[$i][0];
            $limit = $time->tempos->shift($start, $window) + 1e-7;
            $active = array_values(array_filter($active, static fn (array $t): bool => $t[1] > $start + ($t[0] > $start - $time->ppq * self::STRUMMED ? 0 : $lingering)));
            for ($j = $i; $j < $count && $tones[$j][0] <= $limit; $j++) {
                $active[] = $tones[$j];
            }
            $end = max([$start + 1, ...array_column($active, 1)]);
            $named = self::name($input, array_column($active, 2));
            $classes = $named['classes'] ?? array_map(static fn (array $t): int => $t[2] % 12, $active);
            // Less than a triad that lies in the chord before is that chord, struck in part.
            if ($now !== null && ($named === null || count($classes) < 3) && array_diff($classes, $now[3]) === []) {
                $now[1] = max($now[1], $end);
            } elseif ($now !== null && $named !== null && $start - $now[0] < $time->ppq * self::STRUMMED && array_diff($now[3], $classes) === []) {
                $now = [$now[0], max($now[1], $end), $named['name'], $named['classes']];
            } else {
                if ($now !== null) {
                    $found[] = [$now[0], min($now[1], $start), $now[2], $now[3]];
                }
                $now = $named === null ? null : [$start, $end, $named['name'], $named['classes']];
            }
        }

        if ($now !== null) {
            $found[] = $now;
        }

        return $found;
    }

    /**
     * @param  list<Tone>  $tones
     * @return list<array{int, int, string, list<int>}>
     */
    private static function byWindow(EditInput $input, array $tones, bool $byBeat, bool $arpeggios): array
    {
        $meters = $input->time()->meters;
        // What begins a little early is meant for what follows.
        $early = $input->time()->early();
        $found = $active = [];
        $next = 0;
        $at = $tones === [] ? 0 : $meters->barAt($tones[0][0] + $early)->start;
        while ($next < count($tones) || $active !== []) {
            if ($active === [] && $tones[$next][0] + $early >= $at) {
                $at = max($at, $meters->barAt($tones[$next][0] + $early)->start);
            }
            $bar = $meters->barAt($at);
            $to = $byBeat ? min($bar->end(), $at + intdiv(4 * $input->time()->ppq, $bar->meter->unit)) : $bar->end();
            while ($next < count($tones) && $tones[$next][0] + $early < $to) {
                $active[] = $tones[$next++];
            }
            $named = self::named($input, $active, $at, $to, $arpeggios);
            // While nothing begins or ends it stays the same, however many bars that are.
            if (! $arpeggios && $active !== [] && max(array_column($active, 0)) <= $at) {
                $event = min([($tones[$next][0] ?? PHP_INT_MAX - $early) + $early, ...array_column($active, 1)]);
                $to = max($to, $meters->barAt($event)->start);
            }
            if ($named !== null) {
                $found[] = [$at, $to, $named['name'], $named['classes']];
            }
            $active = array_values(array_filter($active, static fn (array $t): bool => ! $arpeggios && $to < $t[1] - $early));
            $at = $to;
        }

        return $found;
    }

    /**
     * The chord of a stretch, its passing notes left out.
     *
     * @param  list<Tone>  $tones
     * @return array{name: string, root: int, bass: int, classes: list<int>}|null
     */
    private static function named(EditInput $input, array $tones, int $from, int $to, bool $arpeggios): ?array
    {
        $weights = [];
        foreach ($tones as [$start, $end, $pitch]) {
            $weights[$pitch % 12] = ($weights[$pitch % 12] ?? 0) + ($arpeggios ? 1 : max(0, min($end, $to) - max($start, $from)));
        }
        // What only rings on into it from before is the chord before, ending.
        $begun = array_filter($tones, static fn (array $t): bool => $from <= $t[0] + $input->time()->early()) !== [];
        if ($weights === [] || (! $begun && ! $arpeggios && max($weights) < ($to - $from) * self::RINGING)) {
            return null;
        }
        $least = $arpeggios ? 0 : max($weights) * self::PASSING;
        $kept = array_filter($weights, static fn (int $w): bool => $w >= $least);
        $pitches = array_values(array_filter(array_column($tones, 2), static fn (int $p): bool => isset($kept[$p % 12])));

        return self::name($input, $pitches);
    }

    /**
     * @param  list<int>  $pitches
     * @return array{name: string, root: int, bass: int, classes: list<int>}|null
     */
    private static function name(EditInput $input, array $pitches): ?array
    {
        return $pitches === [] ? null : ChordNames::of($pitches, $input->score->sharps());
    }

    /**
     * The same name once more within a while is the same chord, going on.
     *
     * @param  list<array{int, int, string, list<int>}>  $found
     * @return list<array{int, int, string, list<int>}>
     */
    private static function joined(array $found, int $while): array
    {
        $joined = [];
        $now = null;
        foreach ($found as $next) {
            if ($now !== null && $now[2] === $next[2] && $while >= $next[0] - $now[1]) {
                $now[1] = max($now[1], $next[1]);
            } else {
                if ($now !== null) {
                    $joined[] = $now;
                }
                $now = $next;
            }
        }

        if ($now !== null) {
            $joined[] = $now;
        }

        return $joined;
    }

    /**
     * The line as it would be typed: a bar between strokes, "%" where the chord before goes on.
     *
     * @param  list<array{int, int, string, list<int>}>  $chords
     */
    public static function text(EditInput $input, array $chords): string
    {
        if ($chords === []) {
            return '';
        }
        $meters = $input->time()->meters;
        $early = $input->time()->early();
        $bars = [];
        $first = $meters->barAt($chords[0][0] + $early)->index;
        foreach ($chords as [$from, , $name]) {
            $bar = $meters->barAt($from + $early)->index - $first;
            if ($bar < self::WRITTEN) {
                $bars[$bar][] = strtr($name, ['♯' => '#', '♭' => 'b']);
            }
        }
        $text = array_map(static fn (int $bar): string => implode(' ', $bars[$bar] ?? ['%']), range(0, (int) array_key_last($bars)));

        return implode(' | ', $text);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Harmony;

use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Harmony\ChordNames;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\TestCase;

/** Chords named by what sounds, against a table of spelled voicings. */
final class NamesTest extends TestCase
{
    private const LETTERS = 'C D EF G A B';

    /** Kinds spelled out on C, and what an inversion may as well be called: a kind on a tone so far above the root. */
    private const TABLE = [
        '' => ['C E G'], 'm' => ['C Eb G'], 'dim' => ['C Eb Gb'], '+' => ['C E G#'], 'sus4' => ['C F G', ['sus2', 5]], 'sus2' => ['C D G', ['sus4', 7]],
        '7' => ['C E G Bb'], 'm7' => ['C Eb G Bb', ['6', 3]], 'maj7' => ['C E G B'], 'm7b5' => ['C Eb Gb Bb', ['m6', 3]], 'dim7' => ['C Eb Gb A'], 'mmaj7' => ['C Eb G B'],
        '6' => ['C E G A', ['m7', 9]], 'm6' => ['C Eb G A', ['m7b5', 9]], '7sus4' => ['C F G Bb'], '+7' => ['C E G# Bb'], '9' => ['C E G Bb D'], 'm9' => ['C Eb G Bb D'], 'maj9' => ['C E G B D'],
        'add9' => ['C E G D'], 'madd9' => ['C Eb G D'], '6/9' => ['C E G A D', ['9sus4', 2]], '7b9' => ['C E G Bb Db'], '7#9' => ['C E G Bb D#'], '7#11' => ['C E G Bb F#'], '7b13' => ['C E G Bb Ab'],
        '13' => ['C E G Bb D A'], 'maj13' => ['C E G B D A', ['m11', 9], ['13sus4', 2]], 'm11' => ['C Eb G Bb D F', ['maj13', 3], ['13sus4', 5]], 'maj7#11' => ['C E G B F#'], '13sus4' => ['C F G Bb D A', ['maj13', 10], ['m11', 7]], '9sus4' => ['C F G Bb D', ['6/9', 10]],
    ];

    public function test_voicings_of_all_kinds_on_all_roots_in_all_inversions_are_named_right(): void
    {
        $right = $all = 0;
        $wrong = [];
        foreach (self::TABLE as $kind => $row) {
            $tones = array_map(self::tone(...), explode(' ', $row[0]));
            for ($root = 0; $root < 12; $root++) {
                foreach (self::voicings(array_map(static fn (int $t): int => 48 + $root + $t, $tones)) as $pitches) {
                    $all++;
                    $named = ChordNames::of($pitches);
                    $bass = min($pitches) % 12;
                    $is = static fn (string $k, int $on): bool => $named !== null && $named['root'] === ($root + $on) % 12 && $named['bass'] === $bass
                        && preg_match('/^[A-G][♯♭]?'.preg_quote($k, '/').'(\/[A-G][♯♭]?)?$/u', $named['name']) === 1;
                    $others = array_filter(array_slice($row, 1), static fn (array $o): bool => $is($o[0], $o[1]));
                    $symmetric = in_array($kind, ['+', 'dim7'], true) && $named !== null && $named['root'] === $bass;
                    // In the root's position there is one name only.
                    if ($is((string) $kind, 0) || ($bass !== $root && $others !== []) || $symmetric) {
                        $right++;
                    } else {
                        $wrong[] = "$kind on $root as ".implode(' ', $pitches).': '.($named['name'] ?? 'none');
                    }
                }
            }
        }
        self::assertGreaterThan(4000, $all);
        self::assertGreaterThanOrEqual(0.97, $right / $all, implode("\n", array_values(array_filter($wrong, static fn (string $w): bool => str_contains($w, ' on 0 ')))));
    }

    public function test_every_name_that_is_written_reads_back_as_the_tones_that_sound(): void
    {
        foreach (self::TABLE as $kind => $row) {
            $tones = array_map(self::tone(...), explode(' ', $row[0]));
            for ($root = 0; $root < 12; $root++) {
                foreach (self::voicings(array_map(static fn (int $t): int => 48 + $root + $t, $tones), false) as $pitches) {
                    $named = ChordNames::of($pitches, [-3, null, 4][$root % 3]);
                    self::assertNotNull($named, "$kind on $root");
                    $classes = array_values(array_unique(array_map(static fn (int $p): int => $p % 12, $pitches)));
                    sort($classes);
                    self::assertSame($classes, Chord::parse($named['name'])->classes(), $named['name']);
                }
            }
        }
    }

    public function test_what_is_no_chord_has_no_name(): void
    {
        foreach ([[60], [60, 64], [60, 61, 62], [60, 62, 64], [60, 61, 66], [60, 61, 63, 64], [60, 62, 64, 65], [60, 61, 62, 63, 64, 65, 66], [60, 72, 84], [48, 61, 62, 63]] as $pitches) {
            self::assertNull(ChordNames::of($pitches), implode(' ', $pitches).': '.(ChordNames::of($pitches)['name'] ?? ''));
        }
    }

    public function test_a_chord_held_for_millions_of_bars_is_one_chord(): void
    {
        $score = Make::score([[0, 1 << 38, 48], [0, 1 << 38, 52], [0, 1 << 38, 55], [1 << 37, 960, 50]]);
        foreach (['bar', 'beat'] as $every) {
            self::assertSame('C', Readings::read('chords', ['every' => $every], $score, new Selection([1 => []]))['chords'][0][2]);
        }
    }

    public function test_the_key_spells(): void
    {
        self::assertSame('B♭7', ChordNames::of([58, 62, 65, 68], -1)['name'] ?? null);
        self::assertSame('A♯7', ChordNames::of([58, 62, 65, 68], 3)['name'] ?? null);
        self::assertSame('Fmaj7/A', ChordNames::of([57, 60, 64, 65], -1)['name'] ?? null);
        self::assertSame('Gm9', ChordNames::of([43, 58, 62, 65, 69], -1)['name'] ?? null);
        // A bass that is none of the tones.
        self::assertSame('A/C', ChordNames::of([48, 61, 64, 69])['name'] ?? null);
    }

    public function test_over_time_chords_are_named_as_they_change_by_beat_and_by_bar(): void
    {
        // A bar of C, strummed and struck twice, then F and G7 in half a bar each, with a passing note.
        $score = Make::score([
            [0, 900, 48], [25, 900, 64], [70, 900, 67], [1920, 900, 48], [1930, 900, 64], [1950, 900, 67],
            [3840, 1900, 53], [3850, 1900, 57], [3860, 1900, 60], [4800, 200, 62],
            [5760, 1900, 55], [5760, 1900, 59], [5770, 1900, 62], [5780, 1900, 65],
        ]);
        $read = static fn (array $params): array => Readings::read('chords', $params, $score, new Selection([1 => []]));
        $names = static fn (array $reading): array => array_column($reading['chords'], 2);

        self::assertSame(['C', 'F', 'F6', 'G7'], $names($read([])));
        self::assertSame('C', $names($read(['every' => 'bar']))[0]);
        self::assertContains('G7', $names($read(['every' => 'beat'])));
    }

    public function test_arpeggios_are_gathered_and_the_pedal_holds(): void
    {
        $score = Make::score([[0, 200, 48], [480, 200, 52], [960, 200, 55], [1440, 200, 59], [3840, 200, 50], [4320, 200, 53], [4800, 200, 57]]);

        self::assertSame([], Readings::read('chords', [], $score, new Selection([1 => []]))['chords']);
        $gathered = Readings::read('chords', ['arpeggios' => true], $score, new Selection([1 => []]));
        self::assertSame('Cmaj7 | Dm', $gathered['text']);
        self::assertSame([0, 4, 7, 11], $gathered['chords'][0][3]);
        $held = Make::after($score, 'lane-draw', ['lane' => 'cc:64', 'points' => [[0, 127], [3800, 0]]]);
        self::assertSame('Cmaj7', Readings::read('chords', ['every' => 'bar', 'pedal' => true], $held, new Selection([1 => []]))['chords'][0][2]);
    }

    /** Semitones above C of a tone by its name: letters stand on the white keys. */
    private static function tone(string $name): int
    {
        return ((int) strpos(self::LETTERS, $name[0]) + substr_count($name, '#') - substr_count($name, 'b') + 12) % 12;
    }

    /**
     * @param  list<int>  $close  from the root up, in close position
     * @return iterable<list<int>> all inversions, spread, doubled, and with the fifth left out
     */
    private static function voicings(array $close, bool $without = true): iterable
    {
        foreach ($close as $i => $bass) {
            $rest = $close;
            unset($rest[$i]);
            $over = array_map(static fn (int $p): int => $p <= $bass ? $p + 12 : $p, array_values($rest));
            yield [$bass, ...$over];
            yield [$bass - 12, ...$over];
            yield [$bass - 12, $bass, ...$over];
            yield [$bass - 12, ...array_map(static fn (int $p, int $k): int => $p + 12 * ($k % 2), $over, array_keys($over))];
            // A chord of four tones or more may lack its fifth, where it has a seventh.
            $root = $close[0];
            $classes = array_map(static fn (int $p): int => ($p - $root + 120) % 12, $close);
            if ($without && $i !== 2 && array_intersect([3, 4], $classes) !== [] && array_intersect([6, 8], $classes) === [] && count($close) > 4 - 1 && in_array(7, $classes, true) && array_intersect([10, 11], $classes) !== []) {
                yield [$bass - 12, ...array_values(array_filter($over, static fn (int $p): bool => ($p - $root + 120) % 12 !== 7))];
            }
        }
    }
}

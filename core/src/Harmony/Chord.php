<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

use Jactonic\Core\Refusal;

/**
 * A chord as musicians write it: root, kind, tensions, bass, such as Bbm7, F#m7b5, Gsus4, E7#9, A6/9, Gm9/C. Case and
 * the usual signs are read: M7, maj7, Δ; -7; ø; °; +.
 */
final readonly class Chord
{
    public const ALLOWED = 'a chord such as C, Bbm7, F#m7b5, Gsus4, E7#9, Dadd9, A6/9, Gm9/C';

    /** Above the root, in semitones, by the number of the tone. */
    private const NUMBERS = [2 => 2, 4 => 5, 5 => 7, 6 => 9, 9 => 14, 11 => 17, 13 => 21];

    private const OCTAVE = 12;

    private const MINOR = 3;

    private const MAJOR = 4;

    /**
     * @param  int  $root  0–11 from C
     * @param  list<int>  $intervals  semitones above the root, ascending, from 0
     * @param  int|null  $bass  0–11 from C; null where the root is the bass
     */
    private function __construct(public int $root, public array $intervals, public ?int $bass, public string $name)
    {
    }

    /** @throws Refusal that says at which letter it is no chord any more */
    public static function parse(mixed $value, string $parameter = 'chord'): self
    {
        $text = is_string($value) ? (string) preg_replace('/\s+/', '', $value) : '';
        if (preg_match('/^'.PitchSpelling::PATTERN.'(.*?)(?:\/'.PitchSpelling::PATTERN.')?$/u', $text, $parts) !== 1) {
            throw Refusal::parameter($parameter, $value, self::ALLOWED);
        }
        $class = static fn (string $letter, string $sign): int => (PitchSpelling::of($letter, $sign) + 12) % 12;
        $intervals = self::intervals($parts[3], $parameter, mb_strlen($parts[1].$parts[2]));

        return new self($class($parts[1], $parts[2]), $intervals, isset($parts[4]) ? $class($parts[4], $parts[5] ?? '') : null, ucfirst($text));
    }

    /**
     * A chord of a kind on a root.
     *
     * @param  int  $root  0–11 from C
     * @param  string  $kind  as it is typed after the root: "m7", "sus4", ""
     * @param  string  $name  what the whole is called
     *
     * @throws Refusal
     */
    public static function on(int $root, string $kind, string $name, string $parameter = 'chord'): self
    {
        return new self($root, self::intervals($kind, $parameter, 0), null, $name);
    }

    /** @return list<int> the pitch classes that belong to it, 0–11 from C, ascending */
    public function classes(): array
    {
        $classes = array_map(fn (int $i): int => ($this->root + $i) % self::OCTAVE, $this->intervals);
        $classes = array_values(array_unique([...$classes, ...($this->bass === null ? [] : [$this->bass])]));
        sort($classes);

        return $classes;
    }

    /**
     * Its pitches from below, none under a lowest one: the root as low as that allows, over the bass where it has one of
     * its own.
     *
     * @param  int  $inversion  how many times its lowest tone goes up an octave
     * @return list<int>
     */
    public function pitches(int $low, int $inversion = 0): array
    {
        $from = static fn (int $class, int $least): int => $least + (($class - $least) % 12 + 12) % 12;
        $bass = $this->bass === null || $this->bass === $this->root ? null : $from($this->bass, $low);
        $root = $from($this->root, $bass === null ? $low : $bass + 1);
        $pitches = array_map(static fn (int $i): int => $root + $i, $this->intervals);
        for ($i = 0; $i < $inversion; $i++) {
            // From below: the first goes to the end, where it is not under it.
            sort($pitches);
            $pitches[] = array_shift($pitches) + self::OCTAVE;
        }
        sort($pitches);

        return array_values(array_unique([...($bass === null ? [] : [$bass]), ...$pitches]));
    }

    /**
     * @param  int  $at  how many letters stand before it, for the sentence
     * @return list<int>
     *
     * @throws Refusal
     */
    private static function intervals(string $kind, string $parameter, int $at): array
    {
        [$third, $fifth, $seventh, $more] = [self::MAJOR, 7, null, []];
        $rest = $kind;
        $dim = false;
        if (self::take($rest, 'ø7?') !== null) {
            [$third, $fifth, $seventh] = [self::MINOR, 6, 10];
        } elseif (self::take($rest, 'dim|°|o(?=7|$)') !== null) {
            [$third, $fifth, $dim] = [self::MINOR, 6, true];
        } elseif (self::take($rest, 'aug|\+') !== null) {
            $fifth = 8;
        } elseif (self::take($rest, 'min|mi|m(?!a(?!dd))|-') !== null) {
            $third = self::MINOR;
        } elseif (self::take($rest, '5$') !== null) {
            $third = null;
        }
        $major = self::take($rest, 'maj|ma|M|Δ');
        if (self::take($rest, '6\/?9') !== null) {
            array_push($more, 9, 14);
        } elseif (self::take($rest, '6') !== null) {
            $more[] = 9;
        } else {
            $number = self::take($rest, '7|9|11|13');
            if ($number !== null || ($major !== null && $major[0] === 'Δ')) {
                $seventh = $major !== null ? 11 : ($dim ? 9 : 10);
                $upTo = (int) ($number[0] ?? 7);
                $more = [...($upTo >= 9 ? [14] : []), ...($upTo === 11 ? [17] : []), ...($upTo === 13 ? [21] : [])];
            }
        }
        while ($rest !== '') {
            if (self::take($rest, 'sus2') !== null) {
                $third = 2;
            } elseif (self::take($rest, 'sus4?') !== null) {
                $third = 5;
            } elseif (($found = self::take($rest, 'add([b#♭♯]?)(2|4|6|9|11|13)')) !== null) {
                $more[] = self::tone($found);
            } elseif (self::take($rest, 'no3') !== null) {
                $third = null;
            } elseif (self::take($rest, 'no5') !== null) {
                $fifth = null;
            } elseif (($found = self::take($rest, '([b#♭♯])(5)')) !== null) {
                $fifth = self::tone($found);
            } elseif (($found = self::take($rest, '([b#♭♯])(9|11|13)')) !== null) {
                $more = [...array_diff($more, [self::NUMBERS[(int) ($found[2] ?? 9)] ?? 0]), self::tone($found)];
            } elseif (self::take($rest, '[(),]') === null) {
                throw new Refusal(sprintf('“%s” is not understood from letter %d on; allowed: %s.', $rest, $at + mb_strlen($kind) - mb_strlen($rest) + 1, self::ALLOWED), $parameter);
            }
        }
        $all = array_values(array_unique(array_filter([0, $third, $fifth, $seventh, ...$more], static fn (?int $i): bool => $i !== null)));
        sort($all);

        return $all;
    }

    /**
     * Takes what a pattern finds off the front of a text.
     *
     * @return list<string>|null what it found, and its groups; null where it finds nothing
     */
    private static function take(string &$rest, string $pattern): ?array
    {
        if (preg_match('/^(?:'.$pattern.')/u', $rest, $found) !== 1) {
            return null;
        }
        $rest = substr($rest, strlen($found[0]));

        return array_values($found);
    }

    /**
     * A tone by its number, raised or lowered.
     *
     * @param  list<string>  $found  all, the sign, the number
     */
    private static function tone(array $found): int
    {
        return (self::NUMBERS[(int) ($found[2] ?? 0)] ?? 0) + PitchSpelling::sign($found[1] ?? '');
    }
}

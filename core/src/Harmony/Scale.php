<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

use Jactonic\Core\Refusal;

/** A scale: a root, and the steps above it that belong to it, in semitones. */
final readonly class Scale
{
    public const ALLOWED = 'a scale such as D dorian, Bb major, F# harmonic minor, or {"root": "D", "steps": [0, 2, 3, 5, 7, 9, 10]}';

    /** By their names in small letters; the first name of equal steps is the one it is called by. */
    public const KINDS = [
        'major' => [0, 2, 4, 5, 7, 9, 11], 'minor' => [0, 2, 3, 5, 7, 8, 10], 'harmonic minor' => [0, 2, 3, 5, 7, 8, 11], 'melodic minor' => [0, 2, 3, 5, 7, 9, 11],
        'dorian' => [0, 2, 3, 5, 7, 9, 10], 'phrygian' => [0, 1, 3, 5, 7, 8, 10], 'lydian' => [0, 2, 4, 6, 7, 9, 11], 'mixolydian' => [0, 2, 4, 5, 7, 9, 10], 'locrian' => [0, 1, 3, 5, 6, 8, 10],
        'major pentatonic' => [0, 2, 4, 7, 9], 'minor pentatonic' => [0, 3, 5, 7, 10], 'blues' => [0, 3, 5, 6, 7, 10],
        'whole tone' => [0, 2, 4, 6, 8, 10], 'diminished' => [0, 2, 3, 5, 6, 8, 9, 11], 'chromatic' => [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11],
        'ionian' => [0, 2, 4, 5, 7, 9, 11], 'aeolian' => [0, 2, 3, 5, 7, 8, 10], 'natural minor' => [0, 2, 3, 5, 7, 8, 10], 'pentatonic' => [0, 2, 4, 7, 9],
    ];

    /** On which tone of a major scale each begins; those that are not here are spelled as major ones. */
    private const PARENTS = [
        'minor' => 9, 'harmonic minor' => 9, 'melodic minor' => 9, 'dorian' => 2, 'phrygian' => 4, 'lydian' => 5, 'mixolydian' => 7, 'locrian' => 11,
        'minor pentatonic' => 9, 'blues' => 9,
    ];

    /** Roots as they are mostly spelled, those without a sign first: a letter typed into the list finds them. */
    public const ROOTS = ['C', 'D', 'E', 'F', 'G', 'A', 'B', 'C♯', 'D♭', 'E♭', 'F♯', 'G♭', 'A♭', 'B♭'];

    private const OCTAVE = 12;

    /**
     * @param  int  $root  0–11 from C
     * @param  list<int>  $steps  0–11, ascending, from 0
     */
    private function __construct(public int $root, public array $steps, public string $name)
    {
    }

    /**
     * @param  mixed  $value  as a person types it, or an object
     *
     * @throws Refusal
     */
    public static function parse(mixed $value, string $parameter = 'scale'): self
    {
        return self::tryParse($value) ?? throw Refusal::parameter($parameter, $value, self::ALLOWED);
    }

    public static function tryParse(mixed $value): ?self
    {
        if (is_string($value) && preg_match('/^\s*([a-g])([#b♯♭]?)\s+([a-z ]+?)\s*$/iu', $value, $parts) === 1) {
            return self::of($parts[1].$parts[2], self::KINDS[strtolower((string) preg_replace('/\s+/', ' ', $parts[3]))] ?? null);
        }
        if (is_string($value) && preg_match('/^\s*([a-g][#b♯♭]?)((?:\s+\d{1,2})+)\s*$/iu', $value, $parts) === 1) {
            return self::of($parts[1], array_map(intval(...), preg_split('/\s+/', trim($parts[2])) ?: []));
        }
        if (! is_array($value) || ! is_string($value['root'] ?? null) || array_diff(array_keys($value), ['root', 'kind', 'steps']) !== []) {
            return null;
        }
        $steps = $value['steps'] ?? self::KINDS[is_string($value['kind'] ?? null) ? strtolower($value['kind']) : ''] ?? null;

        return self::of($value['root'], is_array($steps) ? array_values($steps) : null);
    }

    /** @return list<string> the names of the kinds that there are, each kind once */
    public static function names(): array
    {
        $names = [];
        foreach (self::KINDS as $name => $steps) {
            $names[implode(' ', $steps)] ??= $name;
        }

        return array_values($names);
    }

    /** Whether a pitch belongs to it. */
    public function holds(int $pitch): bool
    {
        return in_array((($pitch - $this->root) % self::OCTAVE + self::OCTAVE) % self::OCTAVE, $this->steps, true);
    }

    /** @return list<int> the pitch classes that belong to it, 0–11 from C, ascending */
    public function classes(): array
    {
        $classes = array_map(fn (int $s): int => ($this->root + $s) % self::OCTAVE, $this->steps);
        sort($classes);

        return $classes;
    }

    /**
     * Sharps of the key signature that it is spelled with, below 0 for flats: that of the major scale it is a mode of, or
     * is nearest to.
     */
    public function sharps(): int
    {
        $kind = array_search($this->steps, self::KINDS, true);
        $parent = ($this->root - (self::PARENTS[is_string($kind) ? $kind : ''] ?? 0) + self::OCTAVE) % self::OCTAVE;
        $sharps = $parent * 7 % self::OCTAVE;
        $isFlat = str_contains($this->name, '♭') || (! str_contains($this->name, '♯') && $sharps > 6);

        return $isFlat && $sharps > 0 && $sharps >= 5 ? $sharps - self::OCTAVE : $sharps;
    }

    /** So many of its steps on from a pitch. One outside goes to the nearest that way first, which counts as one. */
    public function stepped(int $pitch, int $degrees): int
    {
        $way = $degrees <=> 0;
        for ($i = abs($degrees); $i > 0; $i--) {
            do {
                $pitch += $way;
            } while (! $this->holds($pitch));
        }

        return $pitch;
    }

    /**
     * The pitch of it that is nearest to one; of two as near the lower.
     *
     * @param  string  $toward  nearest, up or down
     */
    public function nearest(int $pitch, string $toward = 'nearest'): int
    {
        if ($this->holds($pitch)) {
            return $pitch;
        }
        [$up, $down] = [$this->stepped($pitch, 1), $this->stepped($pitch, -1)];

        return match ($toward) {
            'up' => $up,
            'down' => $down,
            default => $up - $pitch < $pitch - $down ? $up : $down,
        };
    }

    /** The number of a pitch on the ladder of the scale, counted from its root in the lowest octave; of one outside that of the next below. */
    public function degree(int $pitch): int
    {
        while (! $this->holds($pitch)) {
            $pitch--;
        }
        $above = $pitch - $this->root + self::OCTAVE;

        return (intdiv($above, self::OCTAVE) - 1) * count($this->steps) + (int) array_search($above % self::OCTAVE, $this->steps, true);
    }

    /** The pitch at a number on the ladder. */
    public function pitch(int $degree): int
    {
        $count = count($this->steps);
        $octave = (int) floor($degree / $count);

        return $this->root + self::OCTAVE * $octave + ($this->steps[$degree - $octave * $count] ?? 0);
    }

    /** @param  list<mixed>|null  $steps */
    private static function of(string $root, ?array $steps): ?self
    {
        $pitch = preg_match('/^'.PitchSpelling::PATTERN.'$/u', $root, $parts) === 1 ? PitchSpelling::of($parts[1], $parts[2]) + self::OCTAVE : null;
        $good = array_values(array_unique(array_filter($steps ?? [], static fn (mixed $s): bool => is_int($s) && $s >= 0 && $s < self::OCTAVE), SORT_REGULAR));
        sort($good);
        if ($pitch === null || $good === [] || count($good) !== count($steps ?? []) || $good[0] !== 0) {
            return null;
        }
        $kind = array_search($good, self::KINDS, true);
        $name = ucfirst(strtr(strtolower($root), ['#' => '♯'])).' '.(is_string($kind) ? $kind : implode(' ', array_map(strval(...), $good)));

        return new self($pitch % self::OCTAVE, $good, (string) preg_replace('/^([A-G])b/', '$1♭', $name));
    }
}

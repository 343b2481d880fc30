<?php

declare(strict_types=1);

namespace Jactonic\Core\Harmony;

use Jactonic\Core\Refusal;

/**
 * A progression on one line: chords by name or by degree, "|" between bars, "%" for the one before. Several in a bar
 * share it; where no bar line is typed, each has a bar of its own.
 */
final readonly class Progression
{
    public const ALLOWED = 'chords with | between bars, such as Dm9 | G13 | Cmaj9 | %, or ii7 V7 I in the scale';

    /** More are no progression but a mistake. */
    public const MOST = 2048;

    /** @param  list<list<string>>  $bars  as typed, "%" resolved */
    private function __construct(public array $bars, public string $text)
    {
    }

    /** @throws Refusal that says which chord is none */
    public static function parse(mixed $value, string $parameter = 'chords'): self
    {
        $text = is_string($value) ? trim((string) preg_replace('/\s+/', ' ', $value), ' |') : '';
        if ($text === '') {
            throw Refusal::parameter($parameter, $value, self::ALLOWED);
        }
        $bars = str_contains($text, '|') ? explode('|', $text) : explode(' ', $text);
        $read = [];
        $before = null;
        $count = 0;
        foreach ($bars as $i => $bar) {
            $chords = preg_split('/[\s,]+/', trim($bar), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if ($chords === []) {
                throw new Refusal(sprintf('Bar %d of the progression is empty; %% stands for the chord before.', $i + 1), $parameter);
            }
            $one = [];
            foreach ($chords as $chord) {
                $chord = $chord === '%' ? $before ?? throw new Refusal('The progression begins with %: there is no chord before it.', $parameter) : $chord;
                self::check($chord, $parameter);
                $one[] = $before = $chord;
                if (++$count > self::MOST) {
                    throw new Refusal(sprintf('That would be more than %d chords: nothing was inserted.', self::MOST), $parameter);
                }
            }
            $read[] = $one;
        }

        return new self($read, $text);
    }

    /** Whether a degree stands in it, so that it wants a scale. */
    public function wantsScale(): bool
    {
        return array_filter(array_merge(...$this->bars), Degrees::looksLike(...)) !== [];
    }

    /**
     * @param  Scale|null  $scale  in which degrees are meant
     * @return list<list<Chord>> by bar
     *
     * @throws Refusal
     */
    public function in(?Scale $scale, string $parameter = 'chords'): array
    {
        $one = static fn (string $chord): Chord => ! Degrees::looksLike($chord) ? Chord::parse($chord, $parameter)
            : Degrees::parse($chord, $scale ?? throw new Refusal("“{$chord}” is a degree, and there is no scale: set one, such as D dorian.", $parameter), $parameter);

        return array_map(static fn (array $bar): array => array_map($one, $bar), $this->bars);
    }

    private static function check(string $chord, string $parameter): void
    {
        Degrees::looksLike($chord) ? Degrees::parse($chord, Scale::parse('C major'), $parameter) : Chord::parse($chord, $parameter);
    }
}

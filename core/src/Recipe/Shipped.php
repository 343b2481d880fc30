<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

/** The recipes that Jactonic comes with: ordinary ones, to be changed or thrown away. */
final class Shipped
{
    /** @return list<Recipe> */
    public static function all(): array
    {
        $recipes = [];
        foreach (self::table() as $name => [$pick, $steps]) {
            $recipes[] = Recipe::fromArray(['name' => $name, 'pick' => $pick, 'steps' => $steps]);
        }

        return $recipes;
    }

    /** @return array<string, array{array<string, mixed>|null, list<array<string, mixed>>}> by name: the condition and the steps */
    private static function table(): array
    {
        $add = static fn (int $amount): array => [['edit' => 'velocity-add', 'params' => ['amount' => $amount]]];

        return [
            'Velocity +6' => [null, $add(6)],
            'Velocity −6' => [null, $add(-6)],
            'Velocity +18' => [null, $add(18)],
            'Velocity −18' => [null, $add(-18)],
            'Velocities toward 72' => [null, [['edit' => 'velocity-compress', 'params' => ['value' => 72, 'percent' => 50]]]],
            'Hats under the brushes' => [['pitch' => 42], $add(-12)],
            'Accents on the beat' => [['onBeat' => true], $add(12)],
            'Split in triplets' => [null, [['set' => ['grid' => '1/8T', 'swing' => 50]], ['edit' => 'split']]],
            'A fifth up' => [null, [['edit' => 'transpose', 'params' => ['semitones' => 7]]]],
            'Double an octave down' => [null, [['edit' => 'double-at', 'params' => ['semitones' => -12]], ['edit' => 'velocity-scale', 'params' => ['percent' => 80]]]],
            'High notes to the track above' => [['pitch' => ['min' => 60]], [['edit' => 'move-to-track', 'params' => ['tracks' => -1]]]],
            'Low notes to the track below' => [['pitch' => ['max' => 59]], [['edit' => 'move-to-track', 'params' => ['tracks' => 1]]]],
            'Thin the hats' => [['pitch' => ['min' => 42, 'max' => 46], 'every' => ['nth' => 2, 'from' => 2]], [['edit' => 'velocity-scale', 'params' => ['percent' => 60]]]],
            'Tighten, then legato' => [null, [['edit' => 'quantize', 'params' => ['strength' => 80]], ['edit' => 'legato', 'params' => ['mode' => 'both', 'tail' => 'keep']]]],
            'Tighten to straight sixteenths' => [null, [['set' => ['grid' => '1/16', 'swing' => 50]], ['edit' => 'quantize', 'params' => ['strength' => 100]]]],
            'A pad out of chords' => [null, [['edit' => 'keep-first-chords', 'params' => ['rest' => 'deleted']], ['edit' => 'legato'], ['edit' => 'clear-overlaps']]],
            'Lower voices down an octave' => [['inChord' => 'bottom'], [['edit' => 'transpose', 'params' => ['semitones' => -12]]]],
        ];
    }
}

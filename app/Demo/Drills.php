<?php

declare(strict_types=1);

namespace App\Demo;

/**
 * The faults of the demo song as drills: what is wrong, what is to be reached, and the fewest keys that it takes. A drill
 * is done when no note of its part meets its condition any more, by whatever way.
 *
 * @phpstan-type Drill array{id: string, title: string, part: string, wrong: string, goal: string, pick: array<string, mixed>, keys: non-empty-list<string>, do: non-empty-list<array<string, mixed>>}
 */
final class Drills
{
    /** @return non-empty-list<Drill> the keys in normal form, as they ship; `do` is what they do, for the tests */
    public static function all(): array
    {
        return [
            ['id' => 'behind', 'title' => 'Tighten the bass', 'part' => 'Bass, quay', 'wrong' => 'The bass lies behind the beat.', 'goal' => 'Every note on its line, an eighth.',
                'pick' => ['offGrid' => 1], 'keys' => ['Mod+A', 'Q'], 'do' => [['select' => 'all'], ['edit' => 'quantize']]],
            ['id' => 'pad', 'title' => 'Chords into a pad', 'part' => 'Piano, quay', 'wrong' => 'The chords of the piano are loose, short and struck again and again.', 'goal' => 'The first of each change, held to the next: nothing shorter than a quarter.',
                'pick' => ['length' => ['max' => 900]], 'keys' => ['Mod+A', 'Q', 'Shift+C', 'F'], 'do' => [['select' => 'all'], ['edit' => 'quantize'], ['edit' => 'keep-first-chords', 'params' => ['of' => 'change', 'rest' => 'deleted']], ['select' => 'all'], ['edit' => 'legato']]],
            ['id' => 'triplets', 'title' => 'Triplets on their grid', 'part' => 'Vibes, quay', 'wrong' => 'The triplets of the vibraphone were played loosely.', 'goal' => 'Every note on its triplet.',
                'pick' => ['offGrid' => 1], 'keys' => ['Mod+A', 'Q'], 'do' => [['select' => 'all'], ['edit' => 'quantize']]],
            ['id' => 'wrong', 'title' => 'Find a wrong note', 'part' => 'Vibes, quay', 'wrong' => 'One note of the vibraphone lies a semitone beside the one that is meant.', 'goal' => 'No note out of D minor.',
                'pick' => ['outOfScale' => true], 'keys' => ['N', 'S', 'ArrowDown'], 'do' => [['select' => 'out-of-scale'], ['edit' => 'transpose', 'params' => ['semitones' => -1]]]],
            ['id' => 'hats', 'title' => 'Even out the hats', 'part' => 'Kit, quay', 'wrong' => 'The hats are struck unevenly: some are hardly heard.', 'goal' => 'No hat softer than 56.',
                'pick' => ['pitch' => 42, 'velocity' => ['max' => 55]], 'keys' => ['R', 'Shift+V', 'L'], 'do' => [['select' => ['pitch' => 42]], ['edit' => 'velocity-even']]],
            ['id' => 'overlaps', 'title' => 'Clear a pad', 'part' => 'Pad, water', 'wrong' => 'Chords of the pad are held into the next, where the same tones overlap.', 'goal' => 'No note sounds into another of its pitch.',
                'pick' => ['overlapping' => true], 'keys' => ['Mod+A', 'Shift+F'], 'do' => [['select' => 'all'], ['edit' => 'clear-overlaps']]],
        ];
    }
}

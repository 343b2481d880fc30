<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Selection;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Selecting by what notes are, and how that meets what is selected; groups. Two bars: chords 1–3 and 4–6, then 7, 8 and 9. */
final class ChoosingTest extends TestCase
{
    private static function score(): Score
    {
        return Make::score([
            [0, 480, 60, 70], [5, 480, 64, 80], [10, 480, 67, 90],
            [1920, 480, 60, 60], [1925, 480, 65, 50], [1930, 480, 69, 40],
            [3840, 240, 61, 30], [4320, 240, 62, 100], [5000, 960, 63, 110],
        ], ['grid' => '1/8', 'scale' => 'C major']);
    }

    /**
     * @param  array<string, mixed>  $command
     * @param  list<int>  $on
     * @return list<int>
     */
    private static function choose(Score $score, array $command, array $on = []): array
    {
        $chosen = Batch::once($command + ['on' => ['part' => 1, 'notes' => $on], 'context' => ['caret' => ['tick' => 4320, 'row' => 62]]], $score)->selection->notes[1] ?? [];
        sort($chosen);

        return $chosen;
    }

    /** @return iterable<string, array{string, list<int>, list<int>}> move, selected before, selected after */
    public static function moves(): iterable
    {
        yield 'second voices' => ['second-voices', [], [2, 5]];
        yield 'third voices among the selected' => ['third-voices', [1, 3], [3]];
        yield 'fourth voices' => ['fourth-voices', [], []];
        yield 'outside the scale' => ['out-of-scale', [], [7, 9]];
        yield 'off the grid' => ['off-grid', [], [2, 3, 5, 6, 9]];
        yield 'on the beat' => ['on-beat', [], [1, 2, 3, 4, 5, 6, 7, 9]];
        yield 'off the beat' => ['off-beat', [], [8]];
        yield 'same place in the bar as the first' => ['same-place', [1], [1, 2, 3, 7]];
        yield 'as long as the one at the caret' => ['same-length', [], [7, 8]];
        yield 'softer than the softest' => ['softer', [4, 5], [6, 7]];
        yield 'louder than the middle' => ['louder', [], [2, 3, 8, 9]];
        yield 'every second' => ['every-second', [], [1, 3, 5, 7, 9]];
        yield 'every third of the selected' => ['every-third', [1, 2, 3, 4], [1, 4]];
        yield 'first of each change' => ['changes', [], [1, 2, 3, 4, 5, 6, 7, 8, 9]];
        yield 'alone, nearest the caret' => ['alone', [], [8]];
    }

    /**
     * @param  list<int>  $before
     * @param  list<int>  $after
     */
    #[DataProvider('moves')]
    public function test_it_chooses_by_what_notes_are(string $move, array $before, array $after): void
    {
        self::assertSame($after, self::choose(self::score(), ['select' => $move], $before));
    }

    public function test_what_is_found_is_added_narrows_or_is_taken_from_the_choice(): void
    {
        $score = self::score();

        self::assertSame([1, 7, 9], self::choose($score, ['select' => 'out-of-scale', 'how' => 'add'], [1]));
        self::assertSame([7], self::choose($score, ['select' => 'out-of-scale', 'how' => 'narrow'], [1, 7]));
        self::assertSame([1], self::choose($score, ['select' => 'out-of-scale', 'how' => 'take'], [1, 7]));
        // Voices that are added are those of the whole part.
        self::assertSame([1, 3, 6, 7, 8, 9], self::choose($score, ['select' => 'top-voices', 'how' => 'add'], [1]));
        // And by a condition as well.
        self::assertSame([1, 8, 9], self::choose($score, ['select' => ['velocity' => ['min' => 100]], 'how' => 'add'], [1]));
        self::assertSame([7, 9], self::choose($score, ['select' => ['outOfScale' => true]]));
        foreach ([['select' => 'tops'], ['select' => 'row', 'how' => 'some'], ['select' => ['pitch' => 'high']]] as $bad) {
            try {
                self::choose($score, $bad);
                self::fail('It was taken.');
            } catch (Refusal $refusal) {
                self::assertNotSame('', $refusal->getMessage());
            }
        }
    }

    public function test_a_grouped_note_brings_its_group_unless_it_is_asked_for_alone(): void
    {
        $score = Make::after(self::score(), 'group', [], [3, 6, 8]);

        self::assertSame([3, 6, 8], self::choose($score, ['select' => 'next'], [7]));
        self::assertSame([3, 6, 8], self::choose($score, ['select' => 'group'], [8]));
        self::assertSame([8], self::choose($score, ['select' => 'alone'], [3, 6, 8]));
        self::assertSame([3, 6, 8], self::choose($score, ['select' => ['group' => true]]));
        self::assertSame([1, 2, 4, 5, 7, 9], self::choose($score, ['select' => ['group' => false]]));
        // Higher in the chord is one voice.
        self::assertSame([3], self::choose($score, ['select' => 'higher'], [2]));
        $free = Make::after($score, 'ungroup', [], [3]);
        self::assertSame([6, 8], self::choose($free, ['select' => 'group'], [6]));
        self::assertSame('A group is of two notes or more: nothing changed.', Make::edit($score, 'group', [], [1])->said);
    }

    public function test_copies_of_a_group_are_a_group_of_their_own(): void
    {
        $score = Make::after(self::score(), 'group', [], [1, 2, 3]);
        foreach ([['repeat', ['times' => 2, 'every' => 'bars']], ['double-at', ['semitones' => 12]], ['copy-span', ['from' => 0, 'to' => 960]]] as [$edit, $params]) {
            $after = Make::after($score, $edit, $params, [1, 2, 3]);
            $groups = [];
            foreach ($after->part(1)->notes as $note) {
                $groups[$note->group][] = $note->id;
            }
            unset($groups[0]);
            foreach ($groups as $ids) {
                self::assertCount(3, $ids, $edit);
            }
            self::assertGreaterThan(1, count($groups), $edit);
        }
    }

    public function test_where_there_is_no_scale_it_says_so(): void
    {
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('has a scale');
        self::choose(Make::score([[0, 10, 60]]), ['select' => 'out-of-scale']);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Recipe;

use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Recipe\Recording;
use Jactonic\Core\Recipe\Shipped;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Tests\Support\Make;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RecipeTest extends TestCase
{
    public function test_notes_by_a_condition_then_a_chain_as_one_change(): void
    {
        $score = Make::score([[10, 100, 60, 50], [490, 100, 62, 90], [970, 100, 64, 40]]);
        $outcome = self::run_(['name' => 'Soft up', 'pick' => ['velocity' => ['max' => 59]], 'steps' => [
            ['edit' => 'velocity-add', 'params' => ['amount' => 15]], ['edit' => 'quantize', 'params' => ['grid' => '1/8']],
        ]], $score);
        $after = $outcome->change->applyTo($score);

        self::assertSame([65, 90, 55], Make::velocities($after));
        self::assertSame([0, 490, 960], Make::starts($after));
        self::assertSame('“Soft up”: 2 notes louder by 15. 2 notes quantized to 1/8: 2 moved, 5.2 ms on average, 5.2 ms at most.', $outcome->said);
        self::assertSame(Make::bytes($score), Make::bytes($outcome->change->inverse()->applyTo($after)));
    }

    public function test_a_place_is_a_bar_and_beat(): void
    {
        $score = Make::score([[10, 100, 60], [490, 100, 62]]);
        $outcome = self::run_(['name' => 'x', 'steps' => [['edit' => 'move-to', 'params' => ['tick' => '3.2']]]], $score);

        self::assertSame([2 * 3840 + 960, 2 * 3840 + 1440], Make::starts($outcome->change->applyTo($score)));
    }

    public function test_the_condition_chooses_among_what_is_selected(): void
    {
        $score = Make::score([[0, 9, 60, 50], [0, 9, 62, 50], [0, 9, 64, 99]]);
        $recipe = ['name' => 'x', 'pick' => ['velocity' => 50], 'steps' => [['edit' => 'velocity-add', 'params' => ['amount' => 1]]]];

        self::assertSame([50, 51, 99], Make::velocities(self::run_($recipe, $score, [2, 3])->change->applyTo($score)));
        self::assertSame('“x”: no notes meet its condition. Nothing changed.', self::run_($recipe, $score, [3])->said);
    }

    public function test_settings_hold_within_the_recipe_and_steps_may_be_off_or_select(): void
    {
        $score = Make::score([[200, 9, 60], [1000, 9, 60], [1000, 9, 72]], ['grid' => '1/16']);
        $outcome = self::run_(['name' => 'x', 'steps' => [
            ['set' => ['grid' => '1/4']], ['edit' => 'quantize'], ['edit' => 'delete', 'off' => true], ['select' => 'row'], ['edit' => 'velocity-set', 'params' => ['value' => 7]],
        ]], $score, [1]);
        $after = $outcome->change->applyTo($score);

        self::assertSame([0, 1000, 1000], Make::starts($after), 'to quarters');
        self::assertSame([7, 7, 80], Make::velocities($after), 'the row of what was selected');
        self::assertSame('1/16', $after->part(1)->settings()->grid->name);
        self::assertSame([1 => [1, 2]], $outcome->selection->notes);
    }

    public function test_a_refused_step_refuses_the_whole_and_says_which(): void
    {
        $score = Make::score([[0, 9, 120]]);
        $this->expectException(Refusal::class);
        $this->expectExceptionMessage('“Up” was refused at step 2, Transpose: C9 at 1.1.1 cannot go up 12');
        self::run_(['name' => 'Up', 'steps' => [['edit' => 'velocity-set', 'params' => ['value' => 1]], ['edit' => 'transpose', 'params' => ['semitones' => 12]]]], $score);
    }

    public function test_recipes_run_recipes_but_never_themselves(): void
    {
        $up = Recipe::fromArray(['name' => 'Up', 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => 1]]]]);
        $twice = Recipe::fromArray(['name' => 'Twice up', 'steps' => [['recipe' => 'up'], ['recipe' => 'up']]]);
        $score = Make::score([[0, 9, 60]]);
        $after = self::ran($twice, $score, [1], new Book([$up]))->change->applyTo($score);
        self::assertSame(62, $after->part(1)->notes[1]->pitch);

        $round = Recipe::fromArray(['key' => 'up', 'name' => 'Up', 'steps' => [['recipe' => 'twice-up']]]);
        try {
            (new Book([$twice]))->check($round);
            self::fail('A cycle was taken.');
        } catch (Refusal $refusal) {
            self::assertSame('A recipe cannot run itself: “Up” → “Twice up” → “Up”.', $refusal->getMessage());
        }
        $this->expectExceptionMessage('There is no recipe “gone”.');
        (new Book)->check(Recipe::fromArray(['name' => 'x', 'steps' => [['recipe' => 'gone']]]));
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function wrong(): iterable
    {
        $step = ['edit' => 'delete'];
        yield 'no object' => ['x', 'recipe'];
        yield 'another kind' => [['kind' => 'keys', 'name' => 'x', 'steps' => [$step]], 'recipe'];
        yield 'no name' => [['name' => ' ', 'steps' => [$step]], 'name'];
        yield 'a bad key' => [['name' => 'x', 'key' => 'A b', 'steps' => [$step]], 'key'];
        yield 'no steps' => [['name' => 'x', 'steps' => []], 'steps'];
        yield 'an unknown edit' => [['name' => 'x', 'steps' => [['edit' => 'explode']]], 'steps'];
        yield 'a wrong parameter' => [['name' => 'x', 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => 999]]]], 'steps'];
        yield 'a missing parameter' => [['name' => 'x', 'steps' => [['edit' => 'transpose']]], 'steps'];
        yield 'a bad move' => [['name' => 'x', 'steps' => [['select' => 'some']]], 'steps'];
        yield 'a bad setting' => [['name' => 'x', 'steps' => [['set' => ['grid' => '1/5']]]], 'steps'];
        yield 'two things in a step' => [['name' => 'x', 'steps' => [['edit' => 'delete', 'select' => 'all']]], 'steps'];
        yield 'a bad condition' => [['name' => 'x', 'pick' => ['colour' => 1], 'steps' => [$step]], 'pick'];
    }

    #[DataProvider('wrong')]
    public function test_what_is_no_recipe_is_refused(mixed $data, string $parameter): void
    {
        try {
            Recipe::fromArray($data);
            self::fail('It was taken.');
        } catch (Refusal $refusal) {
            self::assertSame($parameter, $refusal->parameter);
        }
    }

    public function test_repeats_are_folded(): void
    {
        $up = static fn (int $n): array => ['edit' => 'transpose', 'params' => ['semitones' => $n]];
        $nudge = static fn (array $params): array => ['edit' => 'nudge', 'params' => $params];

        self::assertSame([$up(5)], Recording::fold([$up(1), $up(1), $up(1), $up(1), $up(1)]));
        $plain = static fn (int $n): array => ['edit' => 'transpose', 'params' => ['steps' => $n]];
        self::assertSame([$plain(3), $up(1)], Recording::fold([$plain(1), $plain(2), $up(1)]));
        self::assertSame([['edit' => 'delete']], Recording::fold([$up(1), $up(-1), ['edit' => 'delete']]));
        self::assertSame([$nudge(['steps' => 3])], Recording::fold([$nudge([]), $nudge(['steps' => 2])]));
        $ms = ['by' => ['unit' => 'ms', 'amount' => 5]];
        self::assertSame([$nudge(['steps' => 2] + $ms), $nudge([])], Recording::fold([$nudge($ms), $nudge($ms), $nudge([])]));
        self::assertSame([['edit' => 'mute'], ['edit' => 'mute']], Recording::fold([['edit' => 'mute'], ['edit' => 'mute']]), 'twice muted is not once');
        self::assertSame([['set' => ['grid' => '1/8', 'swing' => 60]]], Recording::fold([['set' => ['grid' => '1/4', 'swing' => 60]], ['set' => ['grid' => '1/8']]]));
        self::assertCount(2, Recording::fold([['set' => ['grid' => '1/4']], ['set' => ['turn' => 'triplet']]]));
    }

    public function test_folding_changes_nothing_of_what_is_done(): void
    {
        for ($seed = 1; $seed <= 200; $seed++) {
            mt_srand($seed);
            $steps = array_map(static fn (): array => [
                ['edit' => 'transpose', 'params' => ['semitones' => mt_rand(-2, 2)]],
                ['edit' => 'nudge', 'params' => ['steps' => mt_rand(1, 3), 'by' => ['unit' => 'ms', 'amount' => 7]]],
                ['edit' => 'quantize', 'params' => ['grid' => '1/8']],
            ][mt_rand(0, 2)], range(1, 8));
            $score = Make::score([[3000, 100, 60, 64], [5111, 100, 62, 64]]);
            $folded = Recording::fold($steps);
            $after = static fn (array $list): Score => $list === [] ? $score : self::run_(['name' => 'x', 'steps' => $list], $score)->change->applyTo($score);
            $notes = static fn (Score $s): array => [Make::starts($s), Make::lengths($s), $s->part(1)->notes->column('pitch')];
            self::assertSame($notes($after($steps)), $notes($after($folded)), "recording $seed");
        }
    }

    public function test_the_shipped_ones_are_ordinary_and_do_something(): void
    {
        $book = new Book(Shipped::all());
        self::assertGreaterThanOrEqual(12, count($book->recipes));
        $score = Make::score([[10, 700, 42, 50], [20, 1500, 46, 90], [250, 700, 42, 60], [4000, 480, 43, 70], [3840, 600, 45, 30], [5000, 400, 72, 80]]);
        // Between two other tracks, to which notes may be carried.
        $score = new Score($score->time, $score->parts, $score->tracks + [2 => new Track(2, 'Above', -1), 3 => new Track(3, 'Below', 1)], 2, 4);
        foreach ($book->recipes as $recipe) {
            self::assertEquals($recipe, Recipe::fromArray(json_decode((string) json_encode($recipe->toArray()), true)));
            self::assertFalse(self::ran($recipe, $score, [1, 2, 3, 4, 5, 6], $book)->change->isEmpty(), $recipe->name);
        }
    }

    /**
     * @param  array<string, mixed>  $recipe
     * @param  list<int>|null  $notes
     */
    private static function run_(array $recipe, Score $score, ?array $notes = null): Outcome
    {
        return self::ran(Recipe::fromArray($recipe), $score, $notes ?? $score->part(1)->notes->ids());
    }

    /** @param  list<int>  $notes */
    private static function ran(Recipe $recipe, Score $score, array $notes, Book $book = new Book): Outcome
    {
        return Batch::once(['recipe' => json_decode((string) json_encode($recipe->toArray()), true)], $score, new Selection([1 => $notes]), $book);
    }
}

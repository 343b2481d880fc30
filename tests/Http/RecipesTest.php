<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Recipe;
use App\Models\Step;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class RecipesTest extends TestCase
{
    private const UP = ['name' => 'Up a bit', 'pick' => ['velocity' => ['max' => 81]], 'steps' => [['edit' => 'velocity-add', 'params' => ['amount' => 15]], ['edit' => 'transpose', 'params' => ['semitones' => 1]]]];

    public function test_a_dozen_ship_and_one_is_made_run_and_undone_as_one_step(): void
    {
        self::assertGreaterThanOrEqual(12, count((array) $this->getJson('/api/recipes')->assertOk()->json('recipes')));
        $this->postJson('/api/recipes', ['recipe' => self::UP])->assertCreated()->assertJsonPath('recipe.key', 'up-a-bit');
        $song = $this->song();
        $part = $this->partId($song);
        $look = $this->postJson("/api/songs/$song->id/landing", ['do' => [['recipe' => 'up-a-bit', 'on' => $this->all($song)]]])->assertOk();
        self::assertCount(2, (array) $look->json("parts.$part.put"));

        $answer = $this->do($song, [['recipe' => 'up-a-bit', 'on' => $this->all($song)]])->assertOk();
        $answer->assertJsonPath('said.0', '“Up a bit”: 2 notes louder by 15. 2 notes up a semitone.')->assertJsonCount(2, "parts.$part.put");
        self::assertSame(1, Step::query()->count());
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk()->assertJsonCount(2, "parts.$part.put");
    }

    public function test_a_recipe_of_a_condition_alone_chooses(): void
    {
        $song = $this->song();
        $this->postJson('/api/recipes', ['recipe' => ['name' => 'Loud ones', 'pick' => ['velocity' => ['min' => 82]], 'steps' => []]])->assertCreated();
        $answer = $this->do($song, [['recipe' => 'loud-ones', 'on' => ['part' => $this->partId($song), 'notes' => []]], ['edit' => 'mute']])->assertOk();
        $answer->assertJsonPath('said.0', '“Loud ones”: 2 notes selected.')->assertJsonCount(2, 'selection.0.notes');
        self::assertSame(1, Step::query()->count(), 'selecting is no step');
        $this->postJson('/api/recipes', ['recipe' => ['name' => 'Nothing', 'steps' => []]])->assertStatus(422)->assertJsonPath('parameter', 'steps');
    }

    public function test_a_condition_is_counted_without_doing_anything(): void
    {
        $song = $this->song();
        $body = ['reading' => 'picked', 'on' => ['part' => $this->partId($song), 'notes' => []], 'params' => ['pick' => ['or' => [['velocity' => ['max' => 80]], ['pitch' => 65]]]]];
        $this->postJson("/api/songs/$song->id/reading", $body)->assertOk()->assertExactJson(['notes' => [1, 4]]);
        $this->postJson("/api/songs/$song->id/reading", ['params' => ['pick' => ['colour' => 1]]] + $body)->assertStatus(422)->assertJsonPath('parameter', 'pick');
    }

    public function test_a_command_so_many_times_is_one_step(): void
    {
        $song = $this->song();
        $starts = $this->starts($song);
        $this->do($song, [['edit' => 'nudge', 'on' => $this->all($song), 'params' => ['by' => ['unit' => 'ticks', 'amount' => 3]], 'times' => 5]])
            ->assertOk()->assertJsonPath('said.0', '4 notes moved 3 ticks later, 5 times.');
        self::assertSame(array_map(static fn (int $t): int => $t + 15, $starts), $this->starts($song));
        self::assertSame(1, Step::query()->count());
        $this->do($song, [['select' => 'next', 'on' => ['part' => $this->partId($song), 'notes' => [1]], 'times' => 2]])->assertJsonPath('selection.0.notes', [3]);
        foreach ([0, 1000, 'x'] as $times) {
            $this->do($song, [['edit' => 'mute', 'on' => $this->all($song), 'times' => $times]])->assertStatus(422)->assertJsonPath('parameter', 'times');
        }
    }

    public function test_places_in_a_recipe_are_those_of_where_it_is_run(): void
    {
        $recipe = ['name' => 'To the span', 'steps' => [['select' => 'span'], ['edit' => 'move-to', 'params' => ['tick' => 'span-end']], ['edit' => 'marker-set', 'params' => ['name' => 'Here', 'at' => 'caret']]]];
        $this->postJson('/api/recipes', ['recipe' => $recipe])->assertCreated();
        $song = $this->song();
        $run = [['recipe' => 'to-the-span', 'on' => $this->all($song)]];

        $refused = $this->do($song, $run)->assertStatus(422);
        self::assertStringContainsString('span', (string) $refused->json('detail'), 'without a span there is none to go to');
        self::assertSame([20, 270, 480, 750], $this->starts($song));

        $this->do($song, $run, ['context' => ['caret' => 960, 'span' => [200, 1000]]])->assertOk();
        self::assertSame([20, 1000, 1210, 1480], $this->starts($song), 'the three in the span, the first of them at its end');
        self::assertSame([[960, 'Here']], $this->getJson("/api/songs/$song->id")->json('markers'));
        self::assertSame(1, Step::query()->count());
    }

    public function test_a_recipe_is_changed_and_deleted_unless_another_runs_it(): void
    {
        $this->postJson('/api/recipes', ['recipe' => self::UP]);
        $this->postJson('/api/recipes', ['recipe' => self::UP])->assertCreated()->assertJsonPath('recipe.key', 'up-a-bit-2');
        $this->putJson('/api/recipes/up-a-bit', ['recipe' => ['name' => 'Renamed'] + self::UP])->assertOk()->assertJsonPath('recipe.key', 'up-a-bit')->assertJsonPath('recipe.name', 'Renamed');
        $this->postJson('/api/recipes', ['recipe' => ['name' => 'Twice', 'steps' => [['recipe' => 'up-a-bit'], ['recipe' => 'up-a-bit']]]])->assertCreated();
        $this->deleteJson('/api/recipes/up-a-bit')->assertStatus(422)->assertJsonPath('detail', '“Twice” runs this recipe; change that one first.');
        $this->deleteJson('/api/recipes/twice')->assertOk();
        $this->deleteJson('/api/recipes/up-a-bit')->assertOk();
        $this->deleteJson('/api/recipes/up-a-bit')->assertNotFound();
    }

    public function test_recipes_go_out_and_come_in_as_files(): void
    {
        $all = json_decode((string) $this->get('/api/recipes/file')->assertOk()->getContent(), true);
        Recipe::query()->delete();
        $this->postJson('/api/recipes/import', ['file' => $all])->assertCreated();
        self::assertEquals($all, json_decode((string) $this->get('/api/recipes/file')->getContent(), true));
        $one = json_decode((string) $this->get('/api/recipes/a-fifth-up/file')->assertOk()->getContent(), true);
        self::assertIsArray($one);
        $this->postJson('/api/recipes/import', ['file' => ['name' => 'A sixth up', 'key' => 'sixth'] + $one])->assertCreated()->assertJsonPath('said', '1 recipe imported.');
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function bad(): iterable
    {
        $step = static fn (array $step): array => ['kind' => 'recipe', 'name' => 'x', 'steps' => [$step]];
        yield 'a cycle' => [['kind' => 'recipes', 'recipes' => [['name' => 'A', 'steps' => [['recipe' => 'b']]], ['name' => 'B', 'steps' => [['recipe' => 'a']]]]], 'A recipe cannot run itself: “A” → “B” → “A”.'];
        yield 'an unknown command' => [$step(['edit' => 'explode']), 'Step 1 of “x”'];
        yield 'a wrong parameter' => [$step(['edit' => 'transpose', 'params' => ['semitones' => 1000]]), '“semitones” was 1000'];
        yield 'a recipe that is not there' => [$step(['recipe' => 'gone']), 'There is no recipe “gone”.'];
        yield 'nothing' => [null, 'recipe'];
    }

    #[DataProvider('bad')]
    public function test_a_bad_file_gets_a_sentence_and_changes_nothing(mixed $file, string $words): void
    {
        $count = Recipe::query()->count();
        $detail = $this->postJson('/api/recipes/import', ['file' => $file])->assertStatus(422)->json('detail');
        self::assertStringContainsString($words, is_string($detail) ? $detail : '');
        self::assertSame($count, Recipe::query()->count());
    }

    public function test_what_was_done_is_folded(): void
    {
        $up = ['edit' => 'transpose', 'params' => ['semitones' => 1]];
        $this->postJson('/api/recipes/fold', ['steps' => [$up, $up, $up]])->assertOk()->assertExactJson(['steps' => [['edit' => 'transpose', 'params' => ['semitones' => 3]]]]);
        $this->postJson('/api/recipes/fold', ['steps' => 'x'])->assertStatus(422);
    }

    public function test_a_recipe_that_is_deleted_comes_back_with_its_keys(): void
    {
        $recipe = ['kind' => 'recipe', 'name' => 'Much louder', 'pick' => null, 'steps' => [['edit' => 'velocity-add', 'params' => ['amount' => 20]]]];
        $key = $this->postJson('/api/recipes', ['recipe' => $recipe])->assertCreated()->json('recipe.key');
        $this->postJson('/api/keys', ['binding' => ['context' => 'roll', 'keys' => 'Mod+Alt+J', 'command' => 'recipe', 'params' => ['recipe' => $key], 'label' => 'much louder']])->assertOk();
        $bound = static fn (array $state): array => array_values(array_filter($state['keymap'], static fn (array $b): bool => $b['keys'] === 'Mod+Alt+J'));
        $before = $this->getJson('/api/key-sets')->json();
        self::assertCount(1, $bound($before));
        $this->deleteJson("/api/recipes/$key")->assertOk()->assertJsonMissing(['key' => $key]);
        self::assertSame([], $bound($this->getJson('/api/key-sets')->json()), 'nothing stands for what is gone');
        // A new one of the same name does not take the place of the one put away.
        self::assertSame("$key-2", $this->postJson('/api/recipes', ['recipe' => $recipe])->json('recipe.key'));
        $this->postJson("/api/recipes/$key/restore")->assertOk()->assertJsonFragment(['key' => $key]);
        self::assertSame($bound($before), $bound($this->getJson('/api/key-sets')->json()));
        $this->postJson("/api/recipes/$key/restore")->assertNotFound();
    }

    public function test_a_long_name_makes_a_key_that_is_taken(): void
    {
        $name = str_repeat('ab ', 19).'abc defghij';
        $key = $this->postJson('/api/recipes', ['recipe' => ['name' => $name, 'steps' => [['edit' => 'velocity-even']]]])->assertCreated()->json('recipe.key');
        $this->putJson("/api/recipes/$key", ['recipe' => ['name' => $name, 'steps' => [['edit' => 'mute']]]])->assertOk();
    }
}

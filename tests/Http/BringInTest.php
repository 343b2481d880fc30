<?php

declare(strict_types=1);

namespace Tests\Http;

use Tests\TestCase;

/** What is brought in under a name that is there: asked, both kept, or replaced in a way that can be taken back. */
final class BringInTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function recipe(int $semitones, string $name = 'Lanterns up', string $key = 'lanterns-up'): array
    {
        return ['kind' => 'recipe', 'key' => $key, 'name' => $name, 'pick' => null, 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => $semitones]]]];
    }

    /** @return array<string, mixed> what each recipe of a name transposes by */
    private function kept(): array
    {
        $kept = [];
        foreach ((array) $this->getJson('/api/recipes')->json('recipes') as $recipe) {
            $kept[$recipe['name']] = $recipe['steps'][0]['params']['semitones'] ?? $recipe['steps'][0]['recipe'] ?? null;
        }

        return $kept;
    }

    public function test_a_recipe_that_is_there_is_asked_about_and_not_overwritten(): void
    {
        $this->postJson('/api/recipes/import', ['file' => self::recipe(1)])->assertCreated();
        $before = $this->kept();
        $this->postJson('/api/recipes/import', ['file' => self::recipe(5)])->assertStatus(409)->assertJsonPath('taken', ['Lanterns up'])->assertJsonPath('detail', '“Lanterns up” is there already. Keep both, or replace it?');
        // Another key, but its name.
        $this->postJson('/api/recipes/import', ['file' => self::recipe(5, 'lanterns Up', 'other')])->assertStatus(409);
        self::assertSame($before, $this->kept());
        // The very same is no question.
        $this->postJson('/api/recipes/import', ['file' => self::recipe(1)])->assertCreated();
        self::assertSame($before, $this->kept());
        $this->postJson('/api/recipes/import', ['file' => self::recipe(5), 'as' => 'some'])->assertStatus(422);
    }

    public function test_both_are_kept_and_those_of_the_file_run_one_another(): void
    {
        $this->postJson('/api/recipes/import', ['file' => self::recipe(1)])->assertCreated();
        $outer = ['kind' => 'recipe', 'key' => 'outer', 'name' => 'Outer', 'pick' => null, 'steps' => [['recipe' => 'lanterns-up']]];
        $this->postJson('/api/recipes/import', ['file' => ['kind' => 'recipes', 'recipes' => [self::recipe(5), $outer]], 'as' => 'both'])->assertCreated();
        $kept = $this->kept();
        self::assertSame([1, 5, 'lanterns-up-2'], [$kept['Lanterns up'], $kept['Lanterns up (2)'], $kept['Outer']]);
    }

    public function test_one_is_replaced_and_put_back(): void
    {
        $this->postJson('/api/recipes/import', ['file' => self::recipe(1)])->assertCreated();
        $replaced = $this->postJson('/api/recipes/import', ['file' => self::recipe(5, 'Lanterns up', 'other'), 'as' => 'replace'])->assertCreated()->json('replaced.0');
        self::assertSame(5, $this->kept()['Lanterns up']);
        $this->putJson('/api/recipes/lanterns-up', ['recipe' => $replaced])->assertOk();
        self::assertSame(1, $this->kept()['Lanterns up']);
    }

    public function test_many_recipes_are_brought_in_at_once_and_too_many_are_refused_in_words(): void
    {
        $many = array_map(static fn (int $i): array => ['key' => "r-$i", 'name' => "Recipe $i", 'steps' => $i > 1 ? [['recipe' => 'r-'.($i - 1)], ['recipe' => 'r-'.($i - 1)]] : self::recipe(1)['steps']], range(1, 60));
        $this->postJson('/api/recipes/import', ['file' => ['kind' => 'recipes', 'recipes' => $many]])->assertCreated();
        $file = ['kind' => 'recipes', 'recipes' => array_map(static fn (int $i): array => self::recipe(1, "R $i", "k-$i"), range(1, 2001))];
        $this->postJson('/api/recipes/import', ['file' => $file])->assertStatus(422)->assertJsonPath('detail', 'This file holds 2,001 recipes; a file may hold 2,000 at most. Nothing was imported.');
    }

    public function test_a_set_of_shortcuts_of_a_name_that_is_there(): void
    {
        $this->postJson('/api/key-sets', ['name' => 'Ferry', 'from' => 0])->assertOk();
        $file = ['kind' => 'keys', 'name' => 'Ferry', 'keys' => [['context' => 'roll', 'keys' => 'F7', 'command' => 'transpose', 'params' => ['semitones' => 3], 'label' => 'A third']]];
        $this->postJson('/api/key-sets/import', ['file' => $file])->assertStatus(409)->assertJsonPath('taken', ['Ferry']);
        $both = $this->postJson('/api/key-sets/import', ['file' => $file, 'as' => 'both'])->assertOk();
        self::assertSame('Ferry (2)', $both->json('name'));
        $first = $both->json('sets.1.id');
        $this->postJson("/api/key-sets/$first/use")->assertOk();
        $replaced = $this->postJson('/api/key-sets/import', ['file' => $file, 'as' => 'replace'])->assertOk();
        self::assertSame(['Ferry', 1], [$replaced->json('name'), count((array) $replaced->json('keymap'))]);
        self::assertGreaterThan(100, count((array) $this->postJson('/api/key-sets/undo')->assertOk()->json('keymap')));
    }

    public function test_a_groove_of_a_name_that_is_there(): void
    {
        $song = $this->song();
        $groove = static fn (float $late): array => ['groove' => ['name' => 'Deck', 'grid' => '1/8', 'time' => [0, $late], 'velocity' => [90, 70]]];
        $id = $this->postJson("/api/songs/$song->id/grooves", $groove(0.1))->assertCreated()->json('id');
        $this->postJson("/api/songs/$song->id/grooves", $groove(0.2))->assertStatus(409)->assertJsonPath('taken', ['Deck']);
        // On the shelf none is there.
        $this->postJson("/api/songs/$song->id/grooves", $groove(0.2) + ['shelf' => true])->assertCreated();
        $this->postJson("/api/songs/$song->id/grooves", $groove(0.3) + ['as' => 'both'])->assertCreated()->assertJsonPath('groove.name', 'Deck (2)');
        $replaced = $this->postJson("/api/songs/$song->id/grooves", $groove(0.4) + ['as' => 'replace'])->assertCreated()->assertJsonPath('id', $id)->json('replaced');
        self::assertSame(0.1, $replaced['time'][1]);
        $this->patchJson("/api/grooves/$id", ['groove' => $replaced])->assertOk()->assertJsonPath('groove.time.1', 0.1);
    }
}

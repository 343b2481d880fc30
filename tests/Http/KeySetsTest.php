<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\KeySet;
use App\Models\Recipe;
use Jactonic\Core\Keymap\Defaults;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class KeySetsTest extends TestCase
{
    private const MUTE = ['context' => 'roll', 'keys' => 'Q', 'command' => 'mute', 'params' => [], 'label' => 'mute'];

    public function test_whoever_changes_a_shortcut_gets_a_set_of_their_own_and_the_one_that_ships_stays(): void
    {
        $before = $this->getJson('/api/key-sets')->assertOk()->assertJsonPath('set', 0)->json('keymap');
        $this->postJson('/api/keys/check', ['context' => 'roll', 'keys' => 'Q'])->assertJsonPath('lost.0.command', 'quantize')->assertJsonPath('keys', 'Q');
        $this->postJson('/api/keys', ['binding' => self::MUTE])->assertStatus(422)->assertJsonPath('detail', 'Q runs “quantize” already.');
        self::assertSame(0, KeySet::query()->count());

        $after = $this->postJson('/api/keys', ['binding' => self::MUTE, 'replace' => true])->assertOk()->assertJsonPath('name', 'Mine')->assertJsonPath('canUndo', true);
        self::assertSame('mute', $this->commandOf($after->json('keymap'), 'Q'));
        self::assertSame('mute', $this->commandOf($this->getJson('/api/setup')->json('keys.keymap'), 'Q'));
        $this->postJson('/api/key-sets/0/use')->assertJsonPath('keymap', $before);
        $this->postJson("/api/key-sets/{$after->json('set')}/use");
        self::assertSame('quantize', $this->commandOf($this->postJson('/api/key-sets/undo')->assertOk()->json('keymap'), 'Q'));
        $this->postJson('/api/key-sets/undo')->assertStatus(422)->assertJsonPath('detail', 'There is no change of shortcuts to undo.');
    }

    public function test_a_shortcut_is_moved_taken_away_and_reset(): void
    {
        $moved = $this->postJson('/api/keys', ['binding' => ['keys' => 'F7', 'command' => 'quantize'] + self::MUTE, 'instead' => ['context' => 'roll', 'keys' => 'Q']])->assertOk();
        self::assertSame(['quantize', null], [$this->commandOf($moved->json('keymap'), 'F7'), $this->commandOf($moved->json('keymap'), 'Q')]);
        self::assertNull($this->commandOf($this->postJson('/api/keys/take', ['context' => 'roll', 'keys' => 'F7'])->json('keymap'), 'F7'));
        self::assertSame('quantize', $this->commandOf($this->postJson('/api/key-sets/reset', ['command' => 'quantize'])->json('keymap'), 'Q'));
        $this->postJson('/api/keys/take', ['context' => 'roll', 'keys' => 'Mod+M']);
        $this->postJson('/api/keys', ['binding' => self::MUTE, 'replace' => true]);
        self::assertEquals(json_decode((string) json_encode(Defaults::keymap()->toArray()), true), $this->postJson('/api/key-sets/reset')->json('keymap'));
    }

    public function test_sets_are_copied_named_deleted_exported_and_imported(): void
    {
        $id = $this->postJson('/api/key-sets', ['name' => 'Left hand', 'from' => 0])->assertOk()->assertJsonPath('name', 'Left hand')->json('set');
        assert(is_int($id));
        $this->postJson('/api/keys', ['binding' => self::MUTE, 'replace' => true]);
        $changed = $this->getJson('/api/key-sets')->json('keymap');
        $file = $this->get("/api/key-sets/$id/file")->assertOk();
        self::assertStringContainsString(rawurlencode('Left hand.keys.json'), (string) $file->headers->get('Content-Disposition'));
        $this->patchJson("/api/key-sets/$id", ['name' => 'Right hand'])->assertJsonPath('name', 'Right hand');
        $this->deleteJson("/api/key-sets/$id")->assertJsonPath('set', 0)->assertJsonCount(1, 'sets');

        $this->postJson('/api/key-sets/import', ['file' => json_decode((string) $file->getContent(), true)])->assertOk()->assertJsonPath('name', 'Left hand')->assertJsonPath('keymap', $changed);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function bad(): iterable
    {
        $with = static fn (array $key): array => ['kind' => 'keys', 'name' => 'x', 'keys' => [$key + self::MUTE]];
        yield 'nothing' => [null, 'no file of shortcuts'];
        yield 'an unknown command' => [$with(['command' => 'explode']), 'There is no command'];
        yield 'a wrong parameter' => [$with(['params' => ['state' => 'loud']]), '“state” was "loud"'];
        yield 'a stroke that the browser keeps' => [$with(['keys' => 'Mod+W']), 'keep it for themselves'];
        yield 'a collision' => [['kind' => 'keys', 'name' => 'x', 'keys' => [self::MUTE, ['command' => 'delete'] + self::MUTE]], 'already'];
    }

    #[DataProvider('bad')]
    public function test_a_bad_file_gets_a_sentence_and_changes_nothing(mixed $file, string $words): void
    {
        $detail = $this->postJson('/api/key-sets/import', ['file' => $file])->assertStatus(422)->json('detail');
        self::assertStringContainsString($words, is_string($detail) ? $detail : '');
        self::assertSame(0, KeySet::query()->count());
        $this->getJson('/api/key-sets')->assertJsonPath('set', 0);
    }

    public function test_what_a_version_cannot_read_any_more_stops_nothing_else(): void
    {
        $set = KeySet::query()->create(['name' => 'Old', 'before' => [], 'keys' => [
            ['command' => 'gone'] + self::MUTE, ['keys' => 'F7'] + self::MUTE, ['keys' => 'F7 A'] + self::MUTE, 'nonsense',
        ]]);
        Recipe::query()->create(['key' => 'old', 'recipe' => ['name' => 'Old', 'steps' => [['edit' => 'gone']]]]);
        $this->postJson("/api/key-sets/$set->id/use")->assertOk()->assertJsonCount(1, 'keymap')->assertJsonPath('keymap.0.keys', 'F7');
        $setup = $this->getJson('/api/setup')->assertOk();
        self::assertNotContains('old', array_column((array) $setup->json('recipes'), 'key'));
        self::assertContains('a-fifth-up', array_column((array) $setup->json('recipes'), 'key'));
        self::assertTrue(Recipe::query()->where('key', 'old')->exists());
    }

    private function commandOf(mixed $keymap, string $keys): mixed
    {
        foreach (is_array($keymap) ? $keymap : [] as $binding) {
            if (is_array($binding) && $binding['context'] === 'roll' && $binding['keys'] === $keys) {
                return $binding['command'];
            }
        }

        return null;
    }

    public function test_a_set_that_is_deleted_comes_back_with_all_its_changes(): void
    {
        $give = fn (string $keys): \Illuminate\Testing\TestResponse => $this->postJson('/api/keys', ['binding' => ['context' => 'roll', 'keys' => $keys, 'command' => 'transpose', 'params' => ['semitones' => 5], 'label' => 'up five'], 'replace' => true])->assertOk();
        $set = $give('Mod+Alt+F6')->json('set');
        $keymap = $give('Q')->json('keymap');
        $this->deleteJson("/api/key-sets/$set")->assertOk()->assertJsonPath('set', 0);
        $this->postJson("/api/key-sets/$set/restore")->assertOk()->assertJsonPath('set', $set)->assertJsonPath('keymap', $keymap)->assertJsonPath('canUndo', true);
        $this->postJson("/api/key-sets/$set/restore")->assertNotFound();
    }

    public function test_changes_are_kept_as_what_is_different_and_lead_back_exactly(): void
    {
        $states = [$this->getJson('/api/key-sets')->json('keymap')];
        for ($i = 0; $i < 12; $i++) {
            $states[] = match ($i % 3) {
                0 => $this->postJson('/api/keys', ['binding' => ['context' => 'roll', 'keys' => chr(65 + $i), 'command' => 'transpose', 'params' => ['semitones' => $i + 1], 'label' => 'up'], 'replace' => true])->json('keymap'),
                1 => $this->postJson('/api/keys/take', ['context' => 'roll', 'keys' => chr(64 + $i)])->json('keymap'),
                default => $this->postJson('/api/key-sets/reset', ['command' => 'quantize'])->json('keymap'),
            };
        }
        self::assertLessThan(20_000, strlen((string) json_encode(\App\Models\KeySet::query()->firstOrFail()->before)));
        for ($i = 11; $i >= 0; $i--) {
            self::assertSame($states[$i], $this->postJson('/api/key-sets/undo')->assertOk()->json('keymap'), "back to state $i");
        }
    }
}

<?php

declare(strict_types=1);

namespace Tests\Http;

use Tests\TestCase;

/** What is wrong with a request is said in a sentence that a person can act on, and nothing is changed. */
final class WordsTest extends TestCase
{
    private const JSON = ['CONTENT_TYPE' => 'application/json', 'HTTP_ACCEPT' => 'application/json'];

    public function test_what_is_no_json_is_said_to_be_none(): void
    {
        $song = $this->song();
        foreach (['{"base": 1,' => 'Syntax error', '"hello"' => 'it is not an object'] as $body => $why) {
            $this->call('POST', "/api/songs/$song->id/edits", [], [], [], self::JSON, $body)->assertStatus(400)
                ->assertJsonPath('detail', "The request cannot be read as JSON: $why. Nothing was changed.");
        }
    }

    public function test_what_nobody_knows_is_not_passed_over(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $all = ['part' => $part, 'pick' => ['all' => true]];
        $command = ['edit' => 'transpose', 'on' => $all, 'params' => ['semitones' => 1]];
        foreach ([
            [['oops' => 1], [], '“the request” was "oops"'],
            [[], ['oops' => 1], '“do” was "oops"'],
            [[], ['on' => $all + ['oops' => 1]], '“on” was "oops"'],
            [[], ['on' => $all + ['notes' => [1]]], 'it takes one of them'],
            [[], ['params' => ['semitones' => true]], '“semitones” was true; allowed: a whole number'],
            [[], ['params' => ['semitones' => 1, 'oops' => 1]], '“oops” was 1'],
            [[], ['on' => ['part' => $part, 'pick' => ['pitch' => ['min' => 60, 'max' => 40]]]], 'a least that is not above the most'],
        ] as [$beside, $change, $why]) {
            $this->postJson("/api/songs/$song->id/edits", ['base' => $song->revision, 'do' => [$change + $command]] + $beside)->assertStatus(422)
                ->assertJsonPath('detail', static fn (string $detail): bool => str_contains($detail, $why));
        }
        self::assertSame($song->revision, $song->refresh()->revision);
    }

    public function test_keys_that_cannot_stand_for_anything_and_files_that_are_none_say_so(): void
    {
        $bind = fn (string $keys): \Illuminate\Testing\TestResponse => $this->postJson('/api/keys', ['binding' => ['context' => 'roll', 'keys' => $keys, 'command' => 'transpose', 'params' => ['semitones' => 1], 'label' => 'x']]);
        $bind('F13')->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, '"F13" cannot be a shortcut. Letters, digits'));
        foreach (['Tab', 'Shift+Tab', 'Mod+W'] as $kept) {
            $bind($kept)->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, "$kept cannot be used: browsers or the system keep it"));
        }
        foreach ([['a' => 1], 'hello', [1, 2]] as $file) {
            $this->postJson('/api/recipes/import', ['file' => $file])->assertStatus(422)->assertJsonPath('detail', 'This is no file of recipes: a file that was saved here holds a recipe with its steps, or several.');
            $this->postJson('/api/key-sets/import', ['file' => $file])->assertStatus(422)->assertJsonPath('detail', 'This is no file of shortcuts: a file that was saved here holds a name and keys.');
        }
    }

    public function test_a_typed_line_is_read_and_what_cannot_be_says_so(): void
    {
        $song = $this->song();
        $this->postJson('/api/typed', ['line' => 'go 2.1', 'context' => 'roll', 'song' => $song->id])->assertOk()
            ->assertJsonPath('found.0.command', 'go')->assertJsonPath('found.0.params.to', 3840);
        $this->postJson('/api/typed', ['line' => 'transpose x', 'context' => 'roll'])->assertOk()->assertJsonPath('found', [])
            ->assertJsonPath('stopped', '“Transpose” cannot use “x”.');
        $this->postJson('/api/typed', ['line' => 5, 'context' => 'roll'])->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, '“line” was 5'));
        $this->postJson('/api/typed', ['line' => str_repeat('x', 500), 'context' => 'roll'])->assertStatus(422);
        $this->postJson('/api/typed', ['line' => 'go 2.1', 'context' => 'cellar'])->assertStatus(422);
    }
}

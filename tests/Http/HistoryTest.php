<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Part;
use App\Models\Song;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

final class HistoryTest extends TestCase
{
    private function walk(Song $song, string $way, mixed $value = null): TestResponse
    {
        $body = $way === 'steps' ? ['step' => $value] : ['times' => $value ?? 1];

        return $this->postJson("/api/songs/$song->id/$way", ['base' => $song->refresh()->revision] + $body)->assertOk();
    }

    private function document(Song $song): string
    {
        $part = Part::query()->findOrFail($this->partId($song));
        $document = $part->getRawOriginal('notes');
        self::assertIsString($document);
        self::assertNotSame('', $document);

        return $document;
    }

    public function test_everything_is_undone_and_done_again_to_the_last_byte(): void
    {
        $song = $this->song();
        $on = $this->all($song);
        $states = [$this->document($song)];
        foreach ([['edit' => 'quantize'], ['edit' => 'nudge', 'params' => ['by' => ['unit' => 'ms', 'amount' => 7]]], ['edit' => 'resize'], ['edit' => 'velocity-add', 'params' => ['amount' => 60]],
            ['edit' => 'transpose', 'params' => ['semitones' => -5]], ['edit' => 'mute'], ['edit' => 'as-played'], ['edit' => 'insert', 'params' => ['notes' => [['start' => 0, 'pitch' => 60]]]], ['edit' => 'delete']] as $command) {
            $this->do($song, [$command + ['on' => $on]])->assertOk();
            $states[] = $this->document($song);
        }
        for ($i = count($states) - 2; $i >= 0; $i--) {
            $this->walk($song, 'undo');
            self::assertSame($states[$i], $this->document($song), "undone to state $i");
        }
        $this->walk($song, 'undo')->assertJsonPath('said.0', 'There is nothing to undo.');
        for ($i = 1; $i < count($states); $i++) {
            $this->walk($song, 'redo');
            self::assertSame($states[$i], $this->document($song), "done again to state $i");
        }
        $this->walk($song, 'redo')->assertJsonPath('said.0', 'There is nothing to redo.');
        self::assertCount(count($states), array_unique($states), 'each step changed something');
        $this->walk($song, 'undo', 100);
        self::assertSame($states[0], $this->document($song));
    }

    public function test_undo_chooses_the_notes_that_it_touched_and_says_what_it_undid(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);
        $this->do($song, [['edit' => 'delete', 'on' => ['part' => $part, 'notes' => [$ids[1]]]]]);

        $answer = $this->walk($song, 'undo');

        $answer->assertJsonPath('selection.0.notes', [$ids[1]])->assertJsonPath('said.0', 'Undone: 1 note deleted.')->assertJsonPath('canRedo', true);
    }

    public function test_the_history_is_a_tree_and_any_step_can_be_gone_to(): void
    {
        $song = $this->song();
        $on = $this->all($song);
        $this->do($song, [['edit' => 'quantize', 'on' => $on]]);
        $quantized = $this->document($song);
        $this->walk($song, 'undo');
        $this->do($song, [['edit' => 'transpose', 'on' => $on, 'params' => ['semitones' => 12]]]);
        $this->do($song, [['edit' => 'velocity-set', 'on' => $on, 'params' => ['value' => 9]]]);
        $other = $this->document($song);

        $steps = $this->getJson("/api/songs/$song->id/steps")->assertOk();
        [$first, $second, $third] = array_column((array) $steps->json('steps'), 'id');
        self::assertSame([null, null, $second], array_column((array) $steps->json('steps'), 'parent'));
        self::assertSame($third, $steps->json('head'));

        $this->walk($song, 'steps', $first);
        self::assertSame($quantized, $this->document($song), 'nothing was lost by doing something else');
        $this->walk($song, 'steps', $third);
        self::assertSame($other, $this->document($song));
        $this->walk($song, 'undo', 2);
        $this->walk($song, 'redo', 2);
        self::assertSame($other, $this->document($song), 'redo goes the way last gone');
        $this->walk($song, 'steps');
        self::assertSame([20, 270, 480, 750], $this->starts($song));
    }

    public function test_steps_of_another_song_and_no_steps_are_refused(): void
    {
        $song = $this->song();
        $other = $this->song('Other');
        $this->do($other, [['edit' => 'mute', 'on' => $this->all($other)]]);
        $foreign = $this->getJson("/api/songs/$other->id/steps")->json('head');

        foreach ([$foreign, 999, 'first', 1.5] as $step) {
            $this->postJson("/api/songs/$song->id/steps", ['base' => 1, 'step' => $step])->assertStatus(422);
        }
        $this->postJson("/api/songs/$song->id/undo", ['base' => 1, 'times' => 0])->assertStatus(422);
        $this->postJson("/api/songs/$song->id/undo", ['base' => 7])->assertStatus(409);
    }
}

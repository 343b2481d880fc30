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
        // Undone and done otherwise: the first step is there, and is not on the way.
        self::assertSame([false, true, true], array_column((array) $steps->json('steps'), 'done'));
        self::assertSame($third, $steps->json('head'));

        $this->walk($song, 'steps', $first);
        self::assertSame($quantized, $this->document($song), 'nothing was lost by doing something else');
        $this->walk($song, 'steps', $third);
        self::assertSame($other, $this->document($song));
        $this->walk($song, 'undo', 2);
        $this->walk($song, 'redo', 2);
        self::assertSame($other, $this->document($song), 'redo goes the way last gone');
        // Gone back into the first way, it goes on there; done otherwise once more, it goes to what was done last.
        $this->walk($song, 'steps', $first);
        $this->walk($song, 'undo');
        $this->walk($song, 'redo');
        self::assertSame($quantized, $this->document($song), 'visited since, though another was made later');
        $this->do($song, [['edit' => 'mute', 'on' => $on]]);
        $this->walk($song, 'steps', $second);
        $this->do($song, [['edit' => 'velocity-set', 'on' => $on, 'params' => ['value' => 5]]]);
        $newest = $this->document($song);
        $this->walk($song, 'steps', $third);
        $this->walk($song, 'undo');
        $this->walk($song, 'redo');
        self::assertSame($other, $this->document($song), 'visited since');
        $this->walk($song, 'undo');
        $this->do($song, [['edit' => 'velocity-set', 'on' => $on, 'params' => ['value' => 5]]]);
        $this->walk($song, 'undo');
        $this->walk($song, 'redo')->assertJsonPath('canRedo', false);
        self::assertSame($newest, $this->document($song), 'made last');
        $this->walk($song, 'steps', $third);
        $this->walk($song, 'undo', 2);
        $this->walk($song, 'redo', 2);
        self::assertSame($other, $this->document($song));
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

    public function test_a_long_way_is_gone_in_pieces_so_that_nobody_waits_for_the_lock(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        for ($i = 0; $i < 3; $i++) {
            $this->do($song->refresh(), array_map(static fn (int $n): array => ['edit' => 'transpose', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['semitones' => $n % 2 ? 1 : -1]], range(1, 300)))->assertOk();
        }
        $document = $this->document($song);
        $head = $song->refresh()->head_id;
        $left = PHP_INT_MAX;
        for ($asked = 0; $left > 0; $asked++) {
            $answer = $this->postJson("/api/songs/$song->id/steps", ['base' => $song->refresh()->revision, 'step' => null])->assertOk();
            self::assertLessThan($left, $answer->json('left') ?? 0, 'it gets on');
            $left = $answer->json('left') ?? 0;
        }
        self::assertSame('Back to the start of the history.', $answer->json('said.0'));
        self::assertNull($song->refresh()->head_id);
        do {
            $answer = $this->postJson("/api/songs/$song->id/steps", ['base' => $song->refresh()->revision, 'step' => $head])->assertOk();
        } while (($answer->json('left') ?? 0) > 0);
        self::assertSame($document, $this->document($song->refresh()));
        $this->postJson("/api/songs/$song->id/steps", ['base' => $song->revision, 'step' => 999_999])->assertStatus(422);
    }

    public function test_the_list_of_steps_comes_in_pages_and_can_be_searched(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->do($song, array_map(static fn (int $n): array => $n === 150 ? ['edit' => 'velocity-set', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['value' => 50]]
            : ['edit' => 'transpose', 'on' => ['part' => $part, 'pick' => ['all' => true]], 'params' => ['semitones' => $n % 2 ? 1 : -1]], range(1, 450)))->assertOk();
        $pages = [];
        $before = '';
        do {
            $page = $this->getJson("/api/songs/$song->id/steps?before=$before")->assertOk();
            array_unshift($pages, ...$page->json('steps'));
            $before = $page->json('steps.0.id');
        } while ($page->json('more'));
        self::assertCount(450, $pages);
        self::assertSame(450, $page->json('all'));
        self::assertSame($pages, collect($pages)->sortBy('id')->values()->all());
        $found = $this->getJson("/api/songs/$song->id/steps?search=".urlencode('velocity'))->json('steps');
        self::assertCount(1, $found);
        self::assertSame($pages[149], $found[0]);
        self::assertSame([], $this->getJson("/api/songs/$song->id/steps?search=".urlencode('100%_'))->json('steps'), 'signs of the search are letters');
    }

    public function test_parts_made_and_taken_away_within_one_request_come_back_whole(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->do($song, [['edit' => 'part-repeat', 'on' => ['parts' => [$part]]], ['edit' => 'part-delete']])->assertOk();
        $answer = $this->walk($song, 'undo');
        $copy = max(array_map(intval(...), array_keys((array) $answer->json('parts'))));
        self::assertNotSame($part, $copy);
        self::assertCount(4, (array) $answer->json("parts.$copy.part.notes"));
        self::assertSame([4, 4], array_map(static fn (array $p): int => count($p['notes']), (array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts')));
    }

    public function test_a_part_that_went_on_two_branches_is_on_each_as_it_was_there(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $first = $this->document($song);
        $louder = ['edit' => 'velocity-add', 'on' => $this->all($song), 'params' => ['amount' => 10]];
        $this->do($song, [$louder, $louder, $louder])->assertOk();
        $made = $this->document($song);
        $this->do($song, [['edit' => 'part-delete', 'on' => ['parts' => [$part]]]])->assertOk();
        $deleted = $song->refresh()->head_id;
        $this->walk($song, 'steps', null);
        $this->do($song, [['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => 12]], ['edit' => 'delete', 'on' => ['part' => $part, 'notes' => [1]]]])->assertOk();
        $this->do($song, [['edit' => 'part-delete', 'on' => ['parts' => [$part]]]])->assertOk();
        $this->walk($song, 'steps', $deleted);
        $this->walk($song, 'undo');
        self::assertSame($made, $this->document($song));
        $this->walk($song, 'steps', null);
        self::assertSame($first, $this->document($song));
    }
}

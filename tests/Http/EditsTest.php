<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Part;
use App\Models\Step;
use Tests\TestCase;

final class EditsTest extends TestCase
{
    public function test_an_edit_answers_with_what_changed_and_is_kept(): void
    {
        $song = $this->song();
        $part = $this->partId($song);

        $answer = $this->do($song, [['edit' => 'quantize', 'on' => $this->all($song)]])->assertOk();

        $answer->assertJsonPath('revision', 2)->assertJsonPath('canUndo', true)->assertJsonPath('canRedo', false)->assertJsonPath('selection.0.part', $part);
        self::assertSame([0, 240, 720], array_column((array) $answer->json("parts.$part.put"), 1), 'the third was there already');
        self::assertStringStartsWith('4 notes quantized to 1/16: 3 moved', (string) $answer->json('said.0'));
        self::assertSame([0, 240, 480, 720], $this->starts($song));
    }

    public function test_only_what_changed_is_sent(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);

        $put = $this->do($song, [['edit' => 'transpose', 'on' => ['part' => $part, 'notes' => [$ids[2]]], 'params' => ['semitones' => 12]]])->json("parts.$part.put");

        self::assertCount(1, $put);
        self::assertSame([$ids[2], 76], [$put[0][0], $put[0][3]]);
    }

    public function test_commands_that_travel_together_are_a_step_each_and_follow_one_another(): void
    {
        $song = $this->song();

        $answer = $this->do($song, [
            ['select' => 'all', 'on' => ['part' => $this->partId($song), 'notes' => []]],
            ['edit' => 'quantize'],
            ['edit' => 'nudge', 'params' => ['steps' => 2]],
            ['edit' => 'mute'],
        ])->assertOk();

        self::assertCount(4, (array) $answer->json('said'));
        self::assertSame(3, Step::query()->count(), 'selecting notes is no step');
        self::assertSame([480, 720, 960, 1200], $this->starts($song));
    }

    public function test_a_list_as_one_is_one_step_and_all_or_nothing(): void
    {
        $song = $this->song();
        $on = $this->all($song);

        $this->do($song, [['edit' => 'quantize', 'on' => $on], ['edit' => 'transpose', 'params' => ['semitones' => 100]]], ['as' => 'one'])->assertStatus(422);
        self::assertSame([0, 1], [Step::query()->count(), $song->refresh()->revision]);
        self::assertSame([20, 270, 480, 750], $this->starts($song));

        $this->do($song, [['edit' => 'quantize', 'on' => $on], ['edit' => 'transpose', 'params' => ['semitones' => 10]]], ['as' => 'one'])->assertOk();
        self::assertSame(1, Step::query()->count());
        $this->postJson("/api/songs/$song->id/undo", ['base' => 2])->assertOk()->assertJsonPath('canUndo', false);
        self::assertSame([20, 270, 480, 750], $this->starts($song));
    }

    public function test_what_a_refused_command_names_stays_selected_for_the_next(): void
    {
        $song = $this->song();
        $part = $song->parts()->firstOrFail()->id;
        $answer = $this->do($song, [['edit' => 'mute', 'on' => $this->all($song)], ['edit' => 'cut-span', 'params' => ['from' => 'span-start', 'to' => 'span-end'], 'on' => [['part' => $part, 'notes' => []]]], ['edit' => 'delete']]);
        $answer->assertJsonPath('refused.0.item', 1)->assertJsonPath('said.1', 'No notes are selected: nothing changed.');
        self::assertSame([['part' => $part, 'notes' => []]], $answer->json('selection'));
    }

    public function test_of_separate_commands_one_refused_stops_none_of_the_others(): void
    {
        $song = $this->song();

        $answer = $this->do($song, [
            ['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => 12]],
            ['edit' => 'transpose', 'params' => ['semitones' => 100]],
            ['edit' => 'quantize'],
        ])->assertOk();

        $answer->assertJsonPath('refused.0.item', 1);
        self::assertStringContainsString('cannot go up 100', (string) $answer->json('refused.0.detail'));
        self::assertSame(2, Step::query()->count());
    }

    public function test_settings_belong_to_the_part_and_bring_their_lines(): void
    {
        $song = $this->song();
        $part = $this->partId($song);

        $answer = $this->do($song, [['set' => ['grid' => '1/4', 'strength' => 50], 'part' => $part], ['set' => ['turn' => 'triplet'], 'part' => $part], ['edit' => 'quantize', 'on' => $this->all($song)]]);

        $answer->assertOk()->assertJsonPath("parts.$part.settings.grid", '1/4T')->assertJsonPath("parts.$part.lines.patterns.0", [0, 640, 1280, 1920, 2560, 3200]);
        self::assertSame([10, 135, 560, 695], $this->starts($song));
        self::assertSame(1, Step::query()->count(), 'what is set is kept but is no step');
        self::assertSame('1/4T', $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.settings.grid'));
    }

    public function test_a_stale_base_gets_what_is_needed_to_catch_up(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->do($song, [['edit' => 'quantize', 'on' => $this->all($song)]])->assertOk();

        $answer = $this->postJson("/api/songs/$song->id/edits", ['base' => 1, 'do' => [['edit' => 'mute', 'on' => $this->all($song)]]]);

        $answer->assertStatus(409)->assertHeader('Content-Type', 'application/problem+json')->assertJsonPath('catchUp.revision', 2)->assertJsonPath('catchUp.canUndo', true);
        self::assertSame([0, 240, 480, 720], array_column((array) $answer->json("catchUp.parts.$part.part.notes"), 1));
        self::assertSame(2, $song->refresh()->revision);

        $again = $this->postJson("/api/songs/$song->id/edits", ['base' => 2, 'do' => [['edit' => 'mute', 'on' => $this->all($song)]]]);
        $again->assertOk()->assertJsonPath('revision', 3);
    }

    public function test_landing_says_the_same_and_changes_nothing(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $body = ['do' => [['edit' => 'quantize', 'on' => $this->all($song)]]];

        $landing = $this->postJson("/api/songs/$song->id/landing", $body)->assertOk();
        self::assertSame([1, 0], [$song->refresh()->revision, Step::query()->count()]);
        self::assertSame([20, 270, 480, 750], $this->starts($song));

        $edit = $this->postJson("/api/songs/$song->id/edits", ['base' => 1] + $body);
        foreach (["parts.$part", 'said', 'warnings', 'selection'] as $key) {
            self::assertSame($edit->json($key), $landing->json($key), $key);
        }
    }

    public function test_bad_requests_get_a_sentence_and_change_nothing(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $document = Part::query()->findOrFail($part)->getRawOriginal('notes');
        $on = $this->all($song);
        $bad = [
            [],
            ['base' => 1],
            ['base' => 1, 'do' => []],
            ['base' => 1, 'do' => 'quantize'],
            ['base' => 1, 'do' => ['quantize']],
            ['base' => 1, 'do' => array_fill(0, 1001, ['edit' => 'mute', 'on' => $on])],
            ['base' => '1', 'do' => [['edit' => 'mute', 'on' => $on]]],
            ['base' => 1, 'as' => 'two', 'do' => [['edit' => 'mute', 'on' => $on]]],
            ['base' => 1, 'do' => [['edit' => 'mute', 'on' => ['part' => $part + 1, 'notes' => []]]]],
            ['base' => 1, 'do' => [['edit' => 'mute', 'on' => ['part' => $part, 'notes' => [999]]]]],
            ['base' => 1, 'do' => [['edit' => 'quantize', 'on' => $on, 'params' => ['strength' => 101]]]],
            ['base' => 1, 'do' => [['set' => ['swing' => 90], 'part' => $part]]],
            ['base' => 1, 'do' => [['set' => ['swing' => 60]]]],
        ];
        foreach ($bad as $i => $body) {
            $answer = $this->postJson("/api/songs/$song->id/edits", $body);
            self::assertSame(422, $answer->status(), "request $i: ".$answer->getContent());
            self::assertMatchesRegularExpression('/\.$/', (string) $answer->json('detail'));
        }
        self::assertSame($document, Part::query()->findOrFail($part)->getRawOriginal('notes'));
        self::assertSame(1, $song->refresh()->revision);
    }

    public function test_another_songs_part_is_not_to_be_reached(): void
    {
        $mine = $this->song();
        $other = $this->song('Other');

        $this->do($mine, [['edit' => 'delete', 'on' => $this->all($other)]])->assertStatus(422);
        self::assertCount(4, $this->starts($other));
    }

    public function test_what_is_not_there_is_404_in_words(): void
    {
        foreach (['/api/songs/99', '/api/songs/99/steps', '/api/songs/99/file', '/api/nothing'] as $path) {
            $this->getJson($path)->assertNotFound()->assertHeader('Content-Type', 'application/problem+json')->assertJsonPath('status', 404);
        }
        $this->postJson('/api/songs/99/edits', ['base' => 1, 'do' => [['edit' => 'mute']]])->assertNotFound();
        $this->putJson('/api/songs/1')->assertStatus(405);
    }

    public function test_truth_in_place_of_a_number_and_words_in_place_of_truth_are_refused(): void
    {
        $song = $this->song();
        $on = ['part' => $this->partId($song), 'notes' => []];
        foreach ([['start' => true, 'pitch' => 60], ['start' => 0, 'pitch' => true], ['start' => 0, 'pitch' => 60, 'velocity' => true], ['start' => 0, 'pitch' => 60, 'muted' => 'yes']] as $note) {
            $this->do($song, [['edit' => 'insert', 'on' => $on, 'params' => ['notes' => [$note]]]])->assertStatus(422);
        }
        foreach (['yes', 1, []] as $more) {
            $this->do($song, [['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => 1], 'more' => $more]])->assertStatus(422)->assertJsonPath('parameter', 'more');
        }
        $this->do($song, [['edit' => 'insert', 'on' => $on, 'params' => ['notes' => [['start' => 0, 'pitch' => 70, 'muted' => true]]]]])->assertOk();
    }
}

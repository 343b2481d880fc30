<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use App\Songs\SongFile;
use Tests\TestCase;

/** Values that are tried one after another, and the caret that stays where it was put. */
final class TryingTest extends TestCase
{
    /** @param  array<string, mixed>  $params */
    private function quantize(Song $song, array $params): string
    {
        return $this->done($song, 'quantize', $params);
    }

    /** @param  array<string, mixed>  $params */
    private function done(Song $song, string $edit, array $params): string
    {
        return (string) $this->do($song->refresh(), [['edit' => $edit, 'params' => $params, 'on' => $this->all($song)]])->assertOk()->json('said.0');
    }

    /**
     * @param  array<string, mixed>  $params
     * @return list<int> where the notes are after being quantized once
     */
    private function alone(array $params): array
    {
        $other = $this->song('Other');
        $this->quantize($other, $params);

        return $this->starts($other);
    }

    public function test_quantized_to_another_grid_they_start_from_where_they_were_before_the_first(): void
    {
        $song = $this->song();
        $played = $this->starts($song);
        $this->quantize($song, ['grid' => '1/1']);
        $said = $this->quantize($song, ['grid' => '1/8']);
        self::assertStringEndsWith('It began again from before the first try.', $said);
        self::assertSame($this->alone(['grid' => '1/8']), $this->starts($song));
        $this->quantize($song, ['grid' => '1/8', 'swing' => 66]);
        self::assertSame($this->alone(['grid' => '1/8', 'swing' => 66]), $this->starts($song));
        // Each is a step of its own, and back from it is what was before it.
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk();
        self::assertSame($this->alone(['grid' => '1/8']), $this->starts($song));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision, 'times' => 2])->assertOk();
        self::assertSame($played, $this->starts($song));
    }

    public function test_with_the_same_grid_it_goes_on_from_here(): void
    {
        $song = $this->song();
        $this->quantize($song, ['grid' => '1/4', 'strength' => 50]);
        self::assertStringEndsWith('It went on from the try before.', $this->quantize($song, ['grid' => '1/4', 'strength' => 50]));
        foreach (array_map(null, $this->alone(['grid' => '1/4', 'strength' => 75]), $this->starts($song)) as [$once, $twice]) {
            self::assertEqualsWithDelta($once, $twice, 1.0);
        }
    }

    public function test_with_something_between_it_starts_from_what_that_left(): void
    {
        $song = $this->song();
        $this->quantize($song, ['grid' => '1/1']);
        $first = $this->starts($song);
        $this->done($song, 'transpose', ['semitones' => 1]);
        self::assertStringNotContainsString('try', $this->quantize($song, ['grid' => '1/2']));
        self::assertSame($first, $this->starts($song), 'on whole notes they are on halves');
    }

    public function test_of_other_notes_it_is_no_other_try(): void
    {
        $song = $this->song();
        $this->quantize($song, ['grid' => '1/1']);
        $part = $this->partId($song);
        $id = $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes.0.0');
        $said = (string) $this->do($song, [['edit' => 'quantize', 'params' => ['grid' => '1/8'], 'on' => ['part' => $part, 'notes' => [$id]]]])->json('said.0');
        self::assertStringNotContainsString('try', $said);
    }

    public function test_commands_of_one_request_are_tries_as_those_of_several(): void
    {
        $song = $this->song();
        $on = $this->all($song);
        $this->do($song, [['edit' => 'quantize', 'params' => ['grid' => '1/1'], 'on' => $on], ['edit' => 'quantize', 'params' => ['grid' => '1/8'], 'on' => $on]])->assertOk();
        self::assertSame($this->alone(['grid' => '1/8']), $this->starts($song));
        // What is one step is meant as it is written.
        $other = $this->song('One');
        $this->do($other, [['edit' => 'quantize', 'params' => ['grid' => '1/1'], 'on' => $this->all($other)], ['edit' => 'quantize', 'params' => ['grid' => '1/8'], 'on' => $this->all($other)]], ['as' => 'one'])->assertOk();
        self::assertSame($this->alone(['grid' => '1/1']), $this->starts($other));
    }

    public function test_the_preview_of_another_try_is_what_it_will_be(): void
    {
        $song = $this->song();
        $this->quantize($song, ['grid' => '1/1']);
        $landing = $this->postJson("/api/songs/$song->id/landing", ['do' => [['edit' => 'quantize', 'params' => ['grid' => '1/8'], 'on' => $this->all($song)]]])->assertOk();
        $part = $this->partId($song);
        $starts = array_column((array) $landing->json("parts.$part.put"), 1);
        $now = array_diff($this->alone(['grid' => '1/8']), $starts);
        self::assertNotSame([], $starts);
        self::assertSame([], array_diff($now, $this->starts($song)), 'what it leaves is there already');
    }

    public function test_another_groove_is_another_try(): void
    {
        $song = $this->song();
        $groove = static fn (float $late): array => ['groove' => ['name' => 'Lazy', 'grid' => '1/8', 'time' => [$late, $late], 'velocity' => [null, null]]];
        $this->done($song, 'groove-quantize', $groove(0.2));
        $this->done($song, 'groove-quantize', $groove(0.1));
        $other = $this->song('Other');
        $this->done($other, 'groove-quantize', $groove(0.1));
        self::assertSame($this->starts($other), $this->starts($song));
    }

    public function test_undo_puts_the_caret_back_to_where_the_command_found_it_and_redo_to_where_it_left_it(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $insert = ['edit' => 'insert', 'params' => ['notes' => [['start' => 960, 'length' => 480, 'pitch' => 61]]], 'on' => ['part' => $part, 'notes' => []]];
        $answer = $this->do($song, [$insert], ['context' => ['caret' => ['tick' => 960, 'pitch' => 55]]])->assertOk();
        $left = $answer->json('caret');
        self::assertSame([960, 61], $answer->json('at'));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertJsonPath('at', [960, 55]);
        $this->postJson("/api/songs/$song->id/redo", ['base' => $song->refresh()->revision])->assertJsonPath('at', [$left, 61]);
        // On the page of the song with its track.
        $track = $song->tracks()->value('id');
        $this->do($song->refresh(), [['edit' => 'part-mute', 'on' => ['parts' => [$part]]]], ['context' => ['caret' => ['tick' => 1920, 'pitch' => 60], 'track' => $track]])->assertOk();
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertJsonPath('at', [1920, 60])->assertJsonPath('atTrack', $track);
        // Where the command did not know it, it stays.
        $this->done($song->refresh(), 'transpose', ['semitones' => 1]);
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertJsonMissingPath('at');
    }

    public function test_in_a_song_that_came_with_its_history_undo_puts_the_caret_on_the_track_that_is_meant(): void
    {
        $this->song('Before');
        $song = $this->song();
        $this->do($song, [['edit' => 'part-mute', 'on' => ['parts' => [$this->partId($song)]]]], ['context' => ['caret' => ['tick' => 1920, 'pitch' => 60], 'track' => $song->tracks()->value('id')]])->assertOk();
        $come = SongFile::read(SongFile::write($song->refresh()));
        self::assertNotSame($song->tracks()->value('id'), $come->tracks()->value('id'));
        $this->postJson("/api/songs/$come->id/undo", ['base' => $come->refresh()->revision])->assertJsonPath('at', [1920, 60])->assertJsonPath('atTrack', $come->tracks()->value('id'));
    }
}

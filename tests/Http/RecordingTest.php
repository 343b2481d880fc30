<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use App\Models\Step;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Track;
use Tests\TestCase;

final class RecordingTest extends TestCase
{
    /**
     * @param  list<float>  $ons  seconds
     * @param  array<string, mixed>  $params
     */
    private function piece(Song $song, array $ons, array $params = [], ?string $key = null, ?int $base = null): TestResponse
    {
        $events = array_map(static fn (float $on): array => ['on' => $on, 'off' => $on + 0.1, 'pitch' => 72, 'velocity' => 90], $ons);

        return $this->postJson("/api/songs/$song->id/edits", ['base' => $base ?? $song->refresh()->revision, 'key' => $key,
            'do' => [['edit' => 'insert-recording', 'on' => ['part' => $this->partId($song), 'notes' => []], 'params' => ['events' => $events, 'take' => 5] + $params, 'more' => true]]]);
    }

    private function noteCount(Song $song): int
    {
        return count($this->starts($song));
    }

    public function test_the_pieces_of_a_round_are_one_step_and_each_round_is_taken_back_alone(): void
    {
        $song = $this->song();
        $loop = ['loopFrom' => 0, 'loopTo' => 3840];
        $this->piece($song, [0.5], $loop)->assertOk()->assertJsonPath('said.0', 'Round 1: 1 note recorded.');
        $this->piece($song, [1.0, 1.2], $loop)->assertJsonPath('said.0', 'Round 1: 3 notes recorded.');
        $this->piece($song, [2.5], ['round' => 2] + $loop)->assertJsonPath('said.0', 'Round 2: 1 note recorded.');
        $this->piece($song, [3.5], ['round' => 2] + $loop)->assertJsonPath('said.0', 'Round 2: 2 notes recorded.');

        self::assertSame(2, Step::query()->count());
        $command = json_decode(Step::query()->orderBy('id')->firstOrFail()->command, true);
        self::assertIsArray($command);
        self::assertCount(3, ((array) ($command['params'] ?? []))['events'] ?? [], 'the step keeps all that was played');
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertJsonPath('said.0', 'Undone: Round 2: 2 notes recorded.');
        self::assertSame(7, $this->noteCount($song));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision]);
        self::assertSame(4, $this->noteCount($song));
        $this->postJson("/api/songs/$song->id/redo", ['base' => $song->refresh()->revision, 'times' => 2]);
        self::assertSame(9, $this->noteCount($song));
    }

    public function test_a_request_sent_again_because_its_answer_was_lost_is_not_done_twice(): void
    {
        $song = $this->song();
        $base = $song->revision;
        $this->piece($song, [0.5], [], 'once', $base)->assertOk();
        $again = $this->piece($song, [0.5], [], 'once', $base)->assertStatus(409)->assertJsonPath('done', true);

        self::assertSame($base + 1, $again->json('catchUp.revision'));
        self::assertSame(5, $this->noteCount($song));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $base + 1, 'key' => 'back'])->assertOk();
        $this->postJson("/api/songs/$song->id/undo", ['base' => $base + 1, 'key' => 'back'])->assertStatus(409)->assertJsonPath('done', true);
        $this->piece($song, [0.5], [], 'stale', $base)->assertStatus(409)->assertJsonPath('done', false);
        $this->piece($song, [0.5], [], 'stale')->assertOk();
        $this->piece($song, [0.5], [], str_repeat('k', 65))->assertStatus(422)->assertJsonPath('parameter', 'key');
    }

    public function test_keys_of_long_ago_are_cleared_away(): void
    {
        $song = $this->song();
        DB::table('requests')->insert(array_map(static fn (int $i): array => ['song_id' => $song->id, 'key' => "old $i"], range(1, 1100)));
        $song->update(['revision' => 64]);
        $this->piece($song, [0.5], [], 'new')->assertOk();

        self::assertSame(1000, DB::table('requests')->count());
        $this->piece($song, [0.5], [], 'new')->assertStatus(409);
        $this->piece($song, [0.5], [], 'old 1')->assertOk();
    }

    public function test_a_refused_request_may_be_sent_again_when_it_is_mended(): void
    {
        $song = $this->song();
        $this->piece($song, [0.5], ['latency' => 9000], 'mended')->assertStatus(422);
        $this->piece($song, [0.5], ['latency' => 9], 'mended')->assertOk();
    }

    public function test_a_tempo_is_a_step_that_is_undone_and_other_windows_catch_up_with(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $base = $song->revision;
        $answer = $this->do($song, [['edit' => 'tempo-set', 'params' => ['tempo' => 60, 'bar' => 2]], ['edit' => 'meter-set', 'params' => ['beats' => 3]]])->assertOk();

        self::assertSame([[0, 3, 4]], $answer->json('time.meters'));
        self::assertSame([0, 0, 2880], array_slice((array) $answer->json('time.tables')[$answer->json("time.lines.$part")]['runs'][0], 0, 3));
        $answer->assertJsonPath('time.tempos.1.0', 3840)->assertJsonPath('canUndo', true);
        $this->getJson("/api/songs/$song->id/changes?since=$base")->assertJsonPath('time.meters', [[0, 3, 4]]);
        $this->getJson("/api/songs/$song->id/changes?since=".($base + 1))->assertJsonMissingPath('time');
        $this->postJson("/api/songs/$song->id/undo", ['base' => $base + 1, 'times' => 2])->assertJsonPath('time.meters', [[0, 4, 4]])->assertJsonCount(1, 'time.tempos');
        self::assertCount(1, (array) $this->getJson("/api/songs/$song->id")->json('tempos'));
        $this->do($song, [['edit' => 'tempo-set', 'params' => ['tempo' => 0]]])->assertStatus(422)->assertJsonPath('parameter', 'tempo');
    }

    public function test_the_pen_takes_after_the_note_last_touched_where_it_is_told_to(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);
        $this->do($song, [['set' => ['velocityFrom' => 'touched', 'lengthFrom' => 'touched'], 'part' => $part]])->assertOk();
        $this->do($song, [['touched' => $ids[2], 'part' => $part]])->assertJsonPath("parts.$part.settings.penVelocity", 0x52)->assertJsonPath('said.0', '');
        $this->do($song, [['edit' => 'velocity-set', 'params' => ['value' => 31], 'on' => ['part' => $part, 'notes' => [$ids[0]]]]])->assertJsonPath("parts.$part.settings.penVelocity", 31);
        $this->do($song, [['edit' => 'resize', 'params' => ['by' => ['unit' => 'ticks', 'amount' => 77]]], ['edit' => 'insert', 'params' => ['notes' => [['start' => 5000, 'pitch' => 50]]]]])->assertStatus(422);
        $this->do($song, [['edit' => 'resize', 'params' => ['by' => ['unit' => 'ticks', 'amount' => 77]], 'on' => ['part' => $part, 'notes' => [$ids[0]]]], ['edit' => 'insert', 'params' => ['notes' => [['start' => 5000, 'pitch' => 50]]]]])
            ->assertJsonPath("parts.$part.put.1.2", 277)->assertJsonPath("parts.$part.put.1.4", 31);
        $this->do($song, [['set' => ['penLength' => '1/8'], 'part' => $part]])->assertJsonPath("parts.$part.settings.lengthFrom", 'fixed');
    }

    public function test_songs_tracks_and_parts_begin_empty_and_are_played_into(): void
    {
        $made = $this->postJson('/api/songs', ['name' => 'Slipway'])->assertCreated()->assertJsonPath('song.name', 'Slipway');
        $song = Song::query()->findOrFail($made->json('song.id'));
        $this->piece($song, [0.0])->assertOk();
        $drums = $this->do($song, [['edit' => 'track-new', 'params' => ['drums' => true]]])->assertOk()->json('selection.0.part');
        $this->do($song, [['edit' => 'track-new', 'params' => ['program' => 48, 'name' => 'Pad']]])->assertOk();
        $whole = $this->getJson("/api/songs/$song->id");

        self::assertSame(['Acoustic Grand Piano', 'Drum kit', 'Pad'], array_column((array) $whole->json('tracks'), 'name'));
        self::assertSame(['Acoustic Grand Piano', 'Drum kit', 'String Ensemble 1'], array_column((array) $whole->json('tracks'), 'instrument'));
        $this->do($song, [['edit' => 'insert', 'on' => ['part' => $drums, 'notes' => []], 'params' => ['notes' => [['start' => 0, 'pitch' => 38]]]]])->assertJsonPath("parts.$drums.put.0.7", 9);
        $second = $this->do($song, [['edit' => 'part-new', 'on' => ['tracks' => [$whole->json('tracks.2.id')]]]])->assertOk()->json('selection.0.part');
        self::assertSame('Pad 2', $this->getJson("/api/songs/$song->id")->json('tracks.2.parts.1.name'));
        $this->do($song, [['edit' => 'insert', 'on' => ['part' => $second, 'notes' => []], 'params' => ['notes' => [['start' => 0, 'pitch' => 38]]]]])->assertJsonPath("parts.$second.put.0.7", 1);
        // Names, sounds and notes are in the file.
        [$file] = Importer::import(Reader::read((string) $this->get("/api/songs/$song->id/file")->assertOk()->getContent()), 'file');
        self::assertSame(['Acoustic Grand Piano', 'Drum kit', 'Pad'], array_values(array_map(static fn (Track $t): string => $t->name, $file->score->tracks)));
        self::assertSame([1, 1, 1], array_values(array_map(static fn (Part $p): int => count($p->notes), $file->score->parts)));
        $this->do($song, [['edit' => 'track-new', 'params' => ['program' => 128]]])->assertStatus(422)->assertJsonPath('parameter', 'program');
        $this->postJson('/api/songs', ['name' => ' '])->assertStatus(422);
    }

    public function test_the_simulated_player_and_what_is_carried_away_are_asked_for_and_change_nothing(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $read = fn (string $reading, array $params, array $other = []) => $this->postJson("/api/songs/$song->id/reading", $other + ['reading' => $reading, 'params' => (object) $params]);
        $played = $read('passage-reading', ['passage' => 'bell', 'seed' => 2, 'loose' => 0, 'from' => 960])->assertOk()->assertJsonPath('name', 'Harbour bell');
        self::assertSame(9, count((array) $played->json('events')));
        $read('passage-reading', ['passage' => 'tune'])->assertStatus(422)->assertJsonPath('parameter', 'passage');
        $read('passage-reading', ['passage' => 'bell', 'loose' => 'very'])->assertStatus(422)->assertJsonPath('parameter', 'loose');

        $clip = $read('clip', ['from' => 'span-start', 'to' => 'span-end'], ['on' => ['part' => $part, 'notes' => []], 'context' => ['span' => [0, 300]]])->assertOk();
        self::assertSame([0, 300], [$clip->json('anchor'), $clip->json('length')]);
        self::assertNotSame([], $clip->json('notes'));
        $read('clip', [], ['on' => ['part' => $part, 'notes' => []]])->assertJsonPath('notes', []);
        self::assertSame(1, $song->refresh()->revision);
    }

    public function test_the_notes_in_a_span_are_chosen_and_without_one_it_says_so(): void
    {
        $song = $this->song();
        $on = ['part' => $this->partId($song), 'notes' => []];
        $starts = $this->starts($song);
        self::assertCount(2, (array) $this->do($song, [['select' => 'span', 'on' => $on, 'context' => ['span' => [$starts[1], $starts[3]]]]])->json('selection.0.notes'));
        $this->do($song, [['select' => 'span', 'on' => $on]])->assertStatus(422)->assertJsonPath('parameter', 'context');
    }
}

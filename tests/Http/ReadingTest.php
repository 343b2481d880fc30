<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Part;
use App\Models\Step;
use App\Songs\Library;
use Illuminate\Testing\TestResponse;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Tests\Support\Smf;
use Tests\TestCase;

/** What looks and changes nothing: landing, grid reading, the song before its last step. And a key that is held. */
final class ReadingTest extends TestCase
{
    public function test_landing_tells_where_each_note_would_go_who_would_merge_and_who_would_go_far(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $before = $this->starts($song);
        $this->do($song, [['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => 0]]]);
        $this->do($song, [['edit' => 'insert', 'on' => ['part' => $part, 'notes' => []], 'params' => ['notes' => [['start' => $before[0] + 10, 'length' => 5, 'pitch' => 60]]]]]);
        $revision = $song->refresh()->revision;
        $answer = $this->postJson("/api/songs/$song->id/landing", ['do' => [['edit' => 'quantize', 'on' => $this->all($song), 'params' => ['grid' => '1/4']]]])->assertOk();

        self::assertSame($revision, $song->refresh()->revision);
        self::assertSame([...$before, $before[0] + 10], $this->starts($song));
        $answer->assertJsonPath('said.0', static fn (string $said): bool => str_starts_with($said, '5 notes quantized to 1/4: 5 moved'));
        $merging = (array) $answer->json("marks.merging.$part");
        self::assertCount(2, $merging);
        $put = array_column((array) $answer->json("parts.$part.put"), 1, 0);
        self::assertSame($put[$merging[0]], $put[$merging[1]]);
        self::assertNotSame([], $answer->json("marks.far.$part"));
    }

    public function test_the_grid_is_read_from_chosen_notes_or_from_the_part(): void
    {
        $song = $this->song();
        $on = ['part' => $this->partId($song), 'notes' => []];
        $reading = $this->postJson("/api/songs/$song->id/reading", ['reading' => 'grid-reading', 'on' => $on])->assertOk();

        self::assertSame(4, $reading->json('notes'));
        $best = $reading->json('best.grid');
        $reading->assertJsonPath('said', static fn (string $said): bool => str_starts_with($said, "The playing fits $best"));
        self::assertCount(48, (array) $reading->json('beat'));
        $this->postJson("/api/songs/$song->id/reading", ['reading' => 'grid-reading', 'on' => ['part' => 99_999]])->assertStatus(422);
        $this->postJson("/api/songs/$song->id/reading", ['on' => $on])->assertStatus(422)->assertJsonPath('parameter', 'reading');
    }

    public function test_the_song_is_seen_as_it_was_before_the_last_step_and_stays_as_it_is(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->getJson("/api/songs/$song->id/before")->assertStatus(422)->assertJsonPath('detail', 'There is no step yet to compare with.');
        $played = $this->starts($song);
        $this->do($song, [['edit' => 'quantize', 'on' => $this->all($song), 'params' => ['grid' => '1/4']]])->assertOk();
        $now = $this->starts($song);
        $before = $this->getJson("/api/songs/$song->id/before")->assertOk();

        self::assertEqualsCanonicalizing(array_values(array_diff_assoc($played, $now)), array_column((array) $before->json("parts.$part.put"), 1));
        self::assertSame($now, $this->starts($song));
        self::assertTrue($this->getJson("/api/songs/$song->id")->json('canUndo'));
    }

    public function test_the_caret_goes_by_the_rules_of_the_part_and_bad_ways_are_refused(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $this->postJson("/api/songs/$song->id/edits", ['base' => $song->revision, 'do' => [['set' => ['grid' => '1/8T'], 'part' => $part]]])->assertOk();
        $way = ['reading' => 'caret-step', 'on' => ['part' => $part, 'notes' => []], 'context' => ['caret' => 0]];
        $read = fn (array $params, array $other = []) => $this->postJson("/api/songs/$song->id/reading", $other + ['params' => $params] + $way);
        $read(['steps' => 2])->assertOk()->assertExactJson(['tick' => 640, 'place' => '1.1.3.66']);
        $read(['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1]])->assertJsonPath('tick', 7680);
        foreach ([['from' => -1], ['from' => 'x'], ['steps' => 99_999], ['by' => ['unit' => 'miles']]] as $bad) {
            $read($bad)->assertStatus(422)->assertJsonPath('parameter', array_key_first($bad));
        }
        $read([], ['on' => ['part' => 99_999]])->assertStatus(422)->assertJsonPath('parameter', 'part');
        $read([], ['context' => ['caret' => 'here']])->assertStatus(422)->assertJsonPath('parameter', 'context.caret');
        $read([], ['context' => []])->assertStatus(422)->assertJsonPath('detail', 'There is no caret.');
    }

    public function test_points_that_moved_along_are_told_and_undone(): void
    {
        $song = Library::keep(Importer::import(Reader::read(Smf::rich()), 'Rich')[0]);
        $part = $this->partId($song);
        $points = static fn (mixed $list): array => array_column((array) $list, 1, 0);
        $before = $points($this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.points'));
        $this->do($song, [['edit' => 'insert', 'on' => ['part' => $part, 'notes' => []], 'params' => ['notes' => [['start' => 0, 'length' => 9000, 'pitch' => 90]]]]]);
        $answer = $this->do($song, [['edit' => 'nudge', 'on' => $this->all($song), 'params' => ['lanes' => 'along', 'by' => ['unit' => 'bar', 'amount' => 1]]]])->assertOk();

        self::assertNotSame([], $before);
        self::assertSame(array_map(static fn (mixed $t): int => (is_int($t) ? $t : 0) + 3840, $before), $points($answer->json("parts.$part.putPoints")));
        $undone = $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk();
        self::assertSame($before, $points($undone->json("parts.$part.putPoints")));
    }

    public function test_a_key_that_is_held_makes_one_step(): void
    {
        $song = $this->song();
        $on = $this->all($song);
        $nudge = ['edit' => 'nudge', 'on' => $on, 'params' => ['by' => ['unit' => 'ms', 'amount' => 5]]];
        $before = $this->document($this->partId($song));
        $this->do($song, [$nudge])->assertOk();
        $answer = $this->do($song, [$nudge + ['more' => true], $nudge + ['more' => true]])->assertOk();
        $this->do($song, [$nudge + ['more' => true]]);

        self::assertSame('4 notes moved 5 ms later, 3 times.', $answer->json('said.1'));
        self::assertSame(1, Step::query()->count());
        $after = $this->document($this->partId($song));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk()->assertJsonPath('said.0', 'Undone: 4 notes moved 5 ms later, 4 times.');
        self::assertSame($before, $this->document($this->partId($song)));
        $this->postJson("/api/songs/$song->id/redo", ['base' => $song->refresh()->revision])->assertOk();
        self::assertSame($after, $this->document($this->partId($song)));
    }

    public function test_another_command_other_notes_or_a_way_back_begin_a_new_step(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);
        $nudge = static fn (array $notes, int $steps = 1): array => ['edit' => 'nudge', 'on' => ['part' => $part, 'notes' => $notes], 'params' => ['steps' => $steps], 'more' => true];
        $this->do($song, [$nudge([$ids[0]]), $nudge([$ids[1]]), $nudge([$ids[1]], 2)]);
        self::assertSame(3, Step::query()->count());

        // After an undo the undone step stays to be redone; what is done now is a branch of its own.
        $this->do($song, [$nudge([$ids[1]], 2)]);
        $this->do($song, [$nudge([$ids[2]])]);
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision]);
        $this->do($song, [$nudge([$ids[1]], 2)]);
        self::assertSame(5, Step::query()->count());
    }

    public function test_a_held_key_is_one_step_also_once_notes_are_at_the_end_of_their_range(): void
    {
        $song = $this->song();
        $louder = ['edit' => 'velocity-add', 'params' => ['amount' => 1], 'more' => true];
        $on = [$this->all($song)];
        $held = 0;
        for ($i = 0; $i < 60; $i++) {
            $answer = $this->do($song, [$louder], ['on' => $on])->assertOk();
            $on = $answer->json('selection');
            $held++;
        }

        self::assertSame(60, $held);
        self::assertSame(1, Step::query()->count());
        self::assertSame([127, 127, 127, 127], array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 4));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk()->assertJsonPath('canUndo', false);
        self::assertSame([80, 81, 82, 83], array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 4));
    }

    public function test_what_is_warned_of_is_said_once(): void
    {
        $song = $this->song();
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);
        $to = ['edit' => 'set-pitch', 'on' => ['part' => $this->partId($song), 'notes' => $ids], 'params' => ['pitch' => 60]];
        $answer = $this->do($song, [$to, ['edit' => 'insert', 'params' => ['notes' => [['start' => 20, 'pitch' => 60], ['start' => 21, 'pitch' => 61]]]], ['edit' => 'insert', 'params' => ['notes' => [['start' => 20, 'pitch' => 60], ['start' => 22, 'pitch' => 61]]]]])->assertOk();

        self::assertCount(1, (array) $answer->json('warnings'));
    }

    private function document(int $part): string
    {
        $document = Part::query()->findOrFail($part)->getRawOriginal('notes');

        self::assertIsString($document);
        self::assertNotSame('', $document);

        return $document;
    }

    public function test_the_caret_goes_on_where_no_part_is_named_or_none_is_left(): void
    {
        $song = $this->song();
        $track = $song->tracks()->has('parts')->firstOrFail()->id;
        $ask = fn (array $on): TestResponse => $this->postJson("/api/songs/$song->id/reading", ['reading' => 'caret-step', 'on' => $on, 'params' => ['steps' => 1], 'context' => ['caret' => 0]]);
        $ask(['tracks' => [$track]])->assertOk()->assertJsonPath('tick', 240);
        $this->do($song, [['edit' => 'part-delete', 'on' => ['parts' => [$this->partId($song)]]]])->assertOk();
        $ask([])->assertOk()->assertJsonPath('tick', 240);
        $ask(['tracks' => [$track]])->assertOk();
        foreach (array_keys(Readings::classes()) as $reading) {
            $status = $this->postJson("/api/songs/$song->id/reading", ['reading' => $reading, 'on' => ['tracks' => [$track]], 'context' => ['caret' => 0]])->status();
            self::assertContains($status, [200, 422], $reading);
        }
    }
}

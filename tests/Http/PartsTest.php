<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use App\Models\Step;
use App\Songs\Library;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** Parts, tracks, points and markers: changed by edits, kept, answered, and undone after everything was read anew. */
final class PartsTest extends TestCase
{
    /** One note, a pedal down and up again after its end, and a marker. */
    private function pedalled(): Song
    {
        $bytes = Smf::file([Smf::at(0, 'FF 06 04 51 75 61 79').Smf::at(0, '90 3C 50').Smf::at(12, 'B0 40 7F').Smf::at(12, '80 3C 40').Smf::at(24, 'B0 40 00').Smf::END]);

        return Library::keep(Importer::import(Reader::read($bytes), 'Quay')[0]);
    }

    /** @return array<string, mixed> all of the song that edits change, as the interface gets it when it opens it */
    private function whole(Song $song): array
    {
        /** @var array<string, mixed> $data */
        $data = $this->getJson("/api/songs/$song->id")->assertOk()->json();

        return array_diff_key($data, ['revision' => 0, 'canUndo' => 0, 'canRedo' => 0, 'end' => 0]);
    }

    private function walk(Song $song, string $way): void
    {
        $this->postJson("/api/songs/$song->id/$way", ['base' => $song->refresh()->revision])->assertOk();
    }

    public function test_the_grid_is_set_of_all_parts_named_at_once_each_turned_from_its_own(): void
    {
        $song = $this->pedalled();
        $track = $song->tracks()->has('parts')->firstOrFail()->id;
        $this->do($song, [['edit' => 'part-new', 'on' => ['tracks' => [$track]]]])->assertOk();
        $parts = $song->parts()->pluck('id')->all();
        self::assertCount(2, $parts);
        $this->do($song, [['set' => ['grid' => '1/4'], 'on' => ['parts' => $parts]], ['set' => ['turn' => 'triplet'], 'on' => ['parts' => $parts]]])->assertOk();
        $grids = array_column(array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts'), 'settings'), 'grid');
        self::assertSame(['1/4T', '1/4T'], $grids);
    }

    public function test_a_part_whose_settings_were_set_can_be_deleted_in_the_same_request(): void
    {
        $song = $this->pedalled();
        $part = $song->parts()->firstOrFail()->id;
        $this->do($song, [['set' => ['grid' => '1/4'], 'on' => ['parts' => [$part]]], ['edit' => 'part-delete', 'on' => ['parts' => [$part]]]])->assertOk()
            ->assertJsonPath("parts.$part.gone", true);
        $this->walk($song, 'undo');
        self::assertSame('1/4', $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.settings.grid'));
    }

    /** @return iterable<string, array{list<array<string, mixed>>}> commands; "on" is put in by their key */
    public static function commands(): iterable
    {
        $bar = ['unit' => 'bar', 'amount' => 1];
        yield 'a part moved' => [[['parts' => true, 'edit' => 'part-move', 'params' => ['steps' => 1, 'by' => $bar]]]];
        yield 'a part renamed and muted' => [[['parts' => true, 'edit' => 'part-rename', 'params' => ['name' => 'Lead']], ['parts' => true, 'edit' => 'part-mute']]];
        yield 'a part deleted' => [[['parts' => true, 'edit' => 'part-delete']]];
        yield 'a part made, written in and moved' => [[['parts' => true, 'edit' => 'part-new', 'params' => ['name' => 'Second']], ['edit' => 'insert', 'params' => ['notes' => [['start' => 0, 'length' => 240, 'pitch' => 64]]]], ['edit' => 'part-move', 'params' => ['steps' => 2, 'by' => $bar]]]];
        yield 'a track made, renamed and put first' => [[['edit' => 'track-new', 'params' => ['program' => 32]], ['edit' => 'track-rename', 'params' => ['name' => 'Low']], ['edit' => 'track-order', 'params' => ['by' => -1]]]];
        yield 'a track deleted' => [[['tracks' => true, 'edit' => 'track-delete']]];
        yield 'a marker set, moved, and another removed' => [[['edit' => 'marker-set', 'params' => ['name' => 'Gangway', 'at' => 960]], ['edit' => 'marker-move', 'params' => ['at' => 960, 'to' => 1920]], ['edit' => 'marker-remove', 'params' => ['at' => 0]]]];
        yield 'the song renamed' => [[['edit' => 'song-rename', 'params' => ['name' => 'Night boat']]]];
        yield 'points nudged and deleted' => [[['points' => true, 'edit' => 'nudge', 'params' => ['steps' => 1, 'by' => ['unit' => 'ticks', 'amount' => 30]]], ['edit' => 'delete']]];
        yield 'a part that plays otherwise, goes round and is flattened' => [[['parts' => true, 'edit' => 'part-plays', 'params' => ['transpose' => 5, 'delay' => -20]], ['parts' => true, 'edit' => 'part-loop', 'params' => ['until' => 40_000]], ['parts' => true, 'edit' => 'part-flatten']]];
        yield 'a track with another sound and level, duplicated' => [[['tracks' => true, 'edit' => 'track-sound', 'params' => ['program' => 40]], ['tracks' => true, 'edit' => 'track-level', 'params' => ['volume' => 70]], ['tracks' => true, 'edit' => 'track-duplicate']]];
        yield 'time put in and removed' => [[['edit' => 'insert-time', 'params' => ['from' => 960, 'to' => 3840]], ['edit' => 'remove-time', 'params' => ['from' => 0, 'to' => 1920]]]];
        yield 'all notes of a part as a whole' => [[['parts' => true, 'edit' => 'transpose', 'params' => ['semitones' => 3]], ['tracks' => true, 'edit' => 'velocity-set', 'params' => ['value' => 33]]]];
    }

    /** @param  list<array<string, mixed>>  $commands */
    #[DataProvider('commands')]
    public function test_each_is_a_step_that_is_undone_and_done_again(array $commands): void
    {
        $song = $this->pedalled();
        $track = $song->tracks()->has('parts')->firstOrFail()->id;
        $on = ['parts' => ['parts' => [$this->partId($song)]], 'tracks' => ['tracks' => [$track]]];
        $points = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.points'), 0);
        $on['points'] = ['part' => $this->partId($song), 'lane' => 'cc:64', 'points' => $points];
        $states = [$this->whole($song)];
        foreach ($commands as $i => $command) {
            $named = array_intersect_key($on, $command);
            $command = array_diff_key($command, $on) + ($named === [] ? [] : ['on' => reset($named)]);
            $chosen = $i === 0 || isset($command['on']) ? [] : ['on' => $last];
            $answer = $this->do($song, [$command], $chosen)->assertOk();
            $last = $answer->json('selection');
            $states[] = $this->whole($song);
            self::assertNotEquals($states[$i], $states[$i + 1], (string) $answer->json('said.0'));
            self::assertNotSame('', $answer->json('said.0'));
        }
        self::assertSame(count($commands), Step::query()->count());
        for ($i = count($commands) - 1; $i >= 0; $i--) {
            $this->walk($song, 'undo');
            self::assertSame($states[$i], $this->whole($song), "undone to state $i");
        }
        for ($i = 1; $i <= count($commands); $i++) {
            $this->walk($song, 'redo');
            self::assertSame($states[$i], $this->whole($song), "done again to state $i");
        }
    }

    public function test_a_part_that_moves_takes_its_pedal_along(): void
    {
        $song = $this->pedalled();
        $before = (array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0');

        $answer = $this->do($song, [['edit' => 'part-move', 'on' => ['parts' => [$before['id']]], 'params' => ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]]]])->assertOk();

        self::assertSame(3840, $answer->json("parts.{$before['id']}.shift"), 'and nothing of what is in it is sent again');
        self::assertSame([[], []], [$answer->json("parts.{$before['id']}.put"), $answer->json("parts.{$before['id']}.putPoints")]);
        $after = (array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0');
        $shifted = static fn (mixed $rows): array => array_map(static fn (mixed $row): int => is_array($row) && is_int($row[1]) ? $row[1] + 3840 : 0, is_array($rows) ? $rows : []);
        self::assertSame($shifted($before['notes']), array_column((array) $after['notes'], 1));
        self::assertSame($shifted($before['points']), array_column((array) $after['points'], 1));
        self::assertCount(2, (array) $after['points']);
    }

    public function test_points_are_answered_as_notes_are(): void
    {
        $song = $this->pedalled();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.points'), 0);

        $answer = $this->do($song, [['edit' => 'nudge', 'on' => ['part' => $part, 'lane' => 'cc:64', 'points' => [$ids[1]]], 'params' => ['steps' => -1, 'by' => ['unit' => 'ticks', 'amount' => 100]]]])->assertOk();
        self::assertSame([[$ids[1], 380, 0xB0, 64, 0, 1]], $answer->json("parts.$part.putPoints"));
        self::assertSame([['part' => $part, 'lane' => 'cc:64', 'points' => [$ids[1]]]], $answer->json('selection'));

        $answer = $this->do($song, [['edit' => 'delete', 'on' => $answer->json('selection')]])->assertOk();
        self::assertSame([[], [$ids[1]]], [$answer->json("parts.$part.putPoints"), $answer->json("parts.$part.dropPoints")]);
        $this->do($song, [['edit' => 'legato', 'on' => ['part' => $part, 'lane' => 'cc:64', 'points' => [$ids[0]]]]])->assertOk()
            ->assertJsonPath('said.0', 'Points are selected, and this works on notes: nothing changed.');
    }

    public function test_undo_and_redo_give_back_what_was_chosen(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $ids = array_column((array) $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.notes'), 0);
        $this->do($song, [['edit' => 'split', 'on' => ['part' => $part, 'notes' => [$ids[0], $ids[1]]], 'params' => ['into' => 2]], ['select' => 'none']])->assertOk();
        $after = Step::query()->firstOrFail()->chosen;

        $undone = $this->postJson("/api/songs/$song->id/undo", ['base' => 2])->assertOk();
        self::assertSame([['part' => $part, 'notes' => [$ids[0], $ids[1]]]], $undone->json('selection'));

        $done = $this->postJson("/api/songs/$song->id/redo", ['base' => 3])->assertOk();
        self::assertSame(json_decode((string) $after, true)[1], $done->json('selection'));
        self::assertCount(4, (array) $done->json('selection.0.notes'));
    }

    /** @return iterable<string, array{0: array<string, mixed>, 1: int, 2?: int}> settings, ticks, and by how many the caret goes on where that is another number */
    public static function pens(): iterable
    {
        yield 'a cell' => [['grid' => '1/8'], 480];
        yield 'a tuplet' => [['grid' => '1/16:5'], 192];
        yield 'a triplet' => [['grid' => '1/8T'], 320];
        yield 'a length of its own' => [['grid' => '1/8', 'penLength' => '1/4D'], 1440];
        yield 'a swung cell, after which it goes on at the next swung line' => [['grid' => '1/16', 'swing' => 66], 240, 317];
        yield 'two bars' => [['grid' => '2bar'], 7680];
        yield 'as the note last touched' => [['grid' => '1/16', 'lengthFrom' => 'touched'], 1920];
    }

    /** @param  array<string, mixed>  $set */
    #[DataProvider('pens')]
    public function test_the_pen_draws_what_it_writes_and_the_caret_goes_on_by_it(array $set, int $ticks, ?int $on = null): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $made = $this->do($song, [['edit' => 'insert', 'on' => ['part' => $part, 'notes' => []], 'params' => ['notes' => [['start' => 0, 'length' => 1920, 'pitch' => 40]]]]])->json("parts.$part.put.0.0");
        $pen = $this->do($song, [['set' => $set, 'part' => $part], ['touched' => $made, 'part' => $part]])->assertOk()->json("parts.$part.pen");
        self::assertSame(isset($pen['bars']) ? ['bars' => 2] : ['ticks' => $ticks], $pen);

        $answer = $this->do($song, [['edit' => 'insert', 'on' => ['part' => $part, 'notes' => []], 'params' => ['notes' => [['start' => 7680, 'pitch' => 70]]]]])->assertOk();

        self::assertSame([7680, $ticks], array_slice((array) $answer->json("parts.$part.put.0"), 1, 2));
        self::assertSame(7680 + ($on ?? $ticks), $answer->json('caret'));
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function refused(): iterable
    {
        yield 'a part that is not there' => [['edit' => 'part-mute', 'on' => ['parts' => [999]]], 'part'];
        yield 'a track that is not there' => [['edit' => 'track-rename', 'on' => ['tracks' => [999]], 'params' => ['name' => 'x']], 'track'];
        yield 'no name' => [['edit' => 'song-rename', 'params' => ['name' => '']], 'name'];
        yield 'a word that is unknown' => [['edit' => 'marker-set', 'params' => ['name' => 'x', 'at' => 'the moon']], 'at'];
        yield 'a marker that is unknown' => [['edit' => 'move-to', 'params' => ['tick' => 'marker:Nowhere']], 'Nowhere'];
        yield 'a key that is unknown' => [['edit' => 'delete', 'on' => ['part' => 1, 'note' => [1]]], 'on'];
        yield 'a place without a caret' => [['edit' => 'marker-set', 'params' => ['name' => 'x']], 'caret'];
    }

    #[DataProvider('refused')]
    public function test_what_is_wrong_is_refused_with_a_sentence_and_nothing_is_changed(mixed $command, string $word): void
    {
        $song = $this->song();
        $before = $this->whole($song);
        self::assertIsArray($command);

        $answer = $this->do($song, [$command + ['on' => $this->all($song)]])->assertStatus(422);

        self::assertStringContainsString($word, (string) $answer->json('detail'));
        self::assertSame($before, $this->whole($song));
        self::assertSame(0, Step::query()->count());
    }

    public function test_the_answer_says_what_is_heard_of_a_part_that_plays_otherwise(): void
    {
        $song = $this->pedalled();
        $part = $song->parts()->firstOrFail()->id;
        $answer = $this->do($song, [['edit' => 'part-plays', 'on' => ['parts' => [$part]], 'params' => ['transpose' => 12, 'velocity' => 50]]])->assertOk();
        $answer->assertJsonPath("parts.$part.head.plays.words", 'an octave higher, at 50 % velocity')->assertJsonPath("parts.$part.sounds.notes.0.3", 72)->assertJsonPath("parts.$part.sounds.notes.0.4", 40);
        // Read anew it is the same; and as it was, when taken back.
        self::assertSame($answer->json("parts.$part.sounds"), $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.sounds'));
        $back = $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk();
        $back->assertJsonPath("parts.$part.head.plays", null)->assertJsonPath("parts.$part.sounds", null);
    }

    public function test_a_delay_is_heard_elsewhere_in_another_tempo_and_the_answer_says_so(): void
    {
        $song = $this->pedalled();
        $part = $song->parts()->firstOrFail()->id;
        $this->do($song, [['edit' => 'part-plays', 'on' => ['parts' => [$part]], 'params' => ['delay' => 100]]])->assertOk();
        $answer = $this->do($song, [['edit' => 'tempo-set', 'params' => ['tempo' => 60, 'at' => 0]]])->assertOk();

        self::assertSame(96, $answer->json("time.sounds.$part.sounds.notes.0.1"));
    }

    public function test_what_holds_at_the_end_of_a_window_is_let_go_and_told(): void
    {
        $song = $this->pedalled();
        $part = $song->parts()->firstOrFail()->id;
        self::assertSame([], $this->getJson("/api/songs/$song->id")->json('tracks.0.parts.0.letGo'));
        $answer = $this->do($song, [['edit' => 'part-resize', 'on' => ['parts' => [$part]], 'params' => ['to' => 200]]])->assertOk();
        $answer->assertJsonPath("parts.$part.letGo", [[200, 0xB0, 64, 0]]);
        $louder = $this->do($song, [['edit' => 'track-level', 'on' => ['parts' => [$part]], 'params' => ['volume' => 90]]])->assertOk();
        self::assertSame(90, $louder->json('tracks.0.volume'));
    }

    public function test_what_is_heard_comes_anew_where_articulations_or_curves_of_single_notes_change_it(): void
    {
        $song = $this->song();
        $part = $this->partId($song);
        $track = $this->getJson("/api/songs/$song->id")->json('tracks.0.id');
        $do = fn (array $command): array => (array) $this->postJson("/api/songs/$song->id/edits", ['base' => $song->refresh()->revision, 'do' => [$command]])->assertOk()->json();
        $given = $do(['edit' => 'track-articulations', 'on' => ['tracks' => [$track]], 'params' => ['set' => 'Strings']]);
        self::assertSame('Strings', $given['tracks'][0]['articulations']['name']);
        self::assertIsArray($given['parts'][$part]['sounds'], 'no note changed, and all of it is heard otherwise');
        $first = $given['parts'][$part]['sounds']['notes'][0];
        self::assertLessThan(16, $first[5]);
        $drawn = $do(['edit' => 'note-draw', 'on' => ['part' => $part, 'notes' => [$first[0]]], 'params' => ['points' => [[0, 4096]]]]);
        $alone = array_values(array_filter($drawn['parts'][$part]['sounds']['notes'], static fn (array $n): bool => $n[5] > 15));
        self::assertSame([$first[0]], array_column($alone, 0), 'one note has a channel of its own');
        self::assertNotSame([], array_filter($drawn['parts'][$part]['sounds']['points'], static fn (array $p): bool => ($p[4] ?? 0) === $alone[0][5] && $p[1] === 0xE0), 'with its bend on it');
        $do(['edit' => 'note-clear', 'on' => ['part' => $part, 'notes' => [$first[0]]]]);
        $plain = $do(['edit' => 'track-articulations', 'on' => ['tracks' => [$track]], 'params' => ['set' => 'none']]);
        self::assertNull($plain['parts'][$part]['sounds'], 'and its rows say it again');
        self::assertStringContainsString('has no set of articulations', (string) json_encode($this->postJson("/api/songs/$song->id/edits", ['base' => $song->refresh()->revision, 'do' => [['edit' => 'articulate', 'on' => ['part' => $part, 'notes' => [$first[0]]], 'params' => ['number' => 2]]]])->json(), JSON_UNESCAPED_UNICODE));
    }
}

<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Demo\LanternFerry;
use App\Models\Song;
use App\Songs\Library;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Tests\Support\Smf;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SongsTest extends TestCase
{
    public function test_a_file_is_imported_and_goes_out_with_the_same_events(): void
    {
        $answer = $this->upload(Smf::rich(), 'night.mid')->assertCreated()->assertJsonPath('song.name', 'Ferry')->assertJsonPath('song.parts', 2);

        $out = $this->get('/api/songs/'.$answer->json('song.id').'/file')->assertOk()->assertHeader('Content-Disposition', "attachment; filename=\"Ferry.mid\"; filename*=UTF-8''Ferry.mid");
        $events = static fn (string $bytes): array => array_map(static function (array $t): array {
            usort($t, static fn ($a, $b): int => [$a->tick, $a->status, $a->data1, $a->data2] <=> [$b->tick, $b->status, $b->data1, $b->data2]);

            return $t;
        }, Reader::read($bytes)->tracks);
        self::assertEquals($events(Smf::rich()), $events((string) $out->getContent()));
    }

    public function test_the_song_comes_with_everything_that_is_drawn_and_played(): void
    {
        $id = $this->upload(Smf::rich())->json('song.id');

        $song = $this->getJson("/api/songs/$id")->assertOk();
        $song->assertJsonPath('ppq', 960)->assertJsonPath('meters', [[0, 4, 4], [3840, 3, 4]])->assertJsonPath('tempos.1.2', 600_000)
            ->assertJsonPath('tracks.0.name', 'Bassür')->assertJsonPath('tracks.0.instrument', 'Acoustic Bass')->assertJsonPath('tracks.1.instrument', 'Drum kit');
        self::assertSame(['start' => 30, 'length' => 450, 'pitch' => 36, 'velocity' => 80, 'channel' => 1, 'until' => 480], $this->named($song->json('tracks.0.parts.0.notes.0'), ['start', 'length', 'pitch', 'velocity', 'channel', 'until']));
        self::assertSame([0, 0xB1, 0, 0, 1], array_slice((array) $song->json('tracks.0.parts.0.points.0'), 1));
    }

    /** @return iterable<string, array{string, int, string}> */
    public static function unwelcome(): iterable
    {
        yield 'empty' => ['', 422, 'empty'];
        yield 'not MIDI' => [str_repeat('Dear producer. ', 50), 422, 'not a Standard MIDI File'];
        yield 'a zip' => ["PK\x03\x04".str_repeat('x', 300), 422, 'zip archive'];
        yield 'wrong lengths' => [Smf::file(["\x00\x90\x3C"]), 422, 'at byte 24'];
        yield 'no notes at all, cut in the header' => [substr(Smf::rich(), 0, 11), 422, 'at byte 11'];
        yield 'too large' => [str_repeat("\0", 16 * 1024 * 1024 + 1), 413, 'larger than 16 MB'];
    }

    #[DataProvider('unwelcome')]
    public function test_a_broken_file_gets_a_sentence_and_nothing_is_stored(string $bytes, int $status, string $why): void
    {
        $answer = $this->upload($bytes);

        self::assertSame($status, $answer->status());
        $answer->assertHeader('Content-Type', 'application/problem+json');
        self::assertStringContainsString($why, (string) $answer->json('detail'));
        self::assertStringContainsString('Nothing was imported.', (string) $answer->json('detail'));
        self::assertSame(0, Song::withTrashed()->count());
        $this->getJson('/api/songs')->assertOk();
    }

    public function test_a_request_with_no_file_is_refused(): void
    {
        $this->postJson('/api/imports')->assertStatus(422);
        $this->post('/api/imports', ['file' => 'text'])->assertStatus(422);
    }

    public function test_a_file_cut_off_keeps_what_came_before_with_a_warning(): void
    {
        $answer = $this->upload(substr(Smf::rich(), 0, 200))->assertCreated();

        self::assertStringContainsString('cut off at byte 200', implode(' ', (array) $answer->json('warnings')));
    }

    public function test_names_out_of_files_are_data_and_nothing_else(): void
    {
        $evil = '<script>alert(1)</script>';
        $id = $this->upload(Smf::file([Smf::at(0, 'FF 03 19'.bin2hex($evil)).Smf::at(0, '90 3C 40').Smf::at(9, '80 3C 40').Smf::END]), "\"><img src=x onerror=1>\r\n.mid")->assertCreated()->json('song.id');

        $json = (string) $this->getJson("/api/songs/$id")->assertHeader('Content-Type', 'application/json')->assertHeader('X-Content-Type-Options', 'nosniff')->getContent();
        self::assertSame($evil, json_decode($json, true)['tracks'][0]['name']);
        $header = (string) $this->get("/api/songs/$id/file")->headers->get('Content-Disposition');
        self::assertMatchesRegularExpression('/^attachment; filename="[A-Za-z0-9 ._()-]+\.mid"; filename\*=UTF-8\'\'[A-Za-z0-9%._()-]+$/', $header);
        self::assertStringNotContainsString('<script>alert', (string) $this->get("/songs/$id")->getContent());
    }

    public function test_songs_are_renamed_duplicated_deleted_and_brought_back(): void
    {
        $song = $this->song();
        $this->do($song, [['edit' => 'quantize', 'on' => $this->all($song)]]);

        $this->patchJson("/api/songs/$song->id", ['name' => "  Night\tferry "])->assertOk()->assertJsonPath('song.name', 'Night ferry');
        foreach (['', '   ', str_repeat('x', 201), null, 7, ['a']] as $bad) {
            $this->patchJson("/api/songs/$song->id", ['name' => $bad])->assertStatus(422)->assertJsonPath('parameter', 'name');
        }
        $copy = $this->postJson("/api/songs/$song->id/duplicate")->assertCreated()->assertJsonPath('song.name', 'Night ferry (copy)')->json('song.id');
        $this->postJson("/api/songs/$copy/duplicate")->assertJsonPath('song.name', 'Night ferry (copy 2)');
        self::assertSame([0, 240, 480, 720], $this->starts(Song::query()->findOrFail($copy)));

        $this->deleteJson("/api/songs/$song->id")->assertNoContent();
        $this->getJson("/api/songs/$song->id")->assertNotFound();
        self::assertSame(['Night ferry (copy 2)', 'Night ferry (copy)'], $this->names());
        $this->postJson("/api/songs/$song->id/restore")->assertOk();
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision, 'times' => 2])->assertOk()->assertJsonPath('canUndo', false)->assertJsonPath('name', 'Quay');
        self::assertSame([20, 270, 480, 750], $this->starts($song), 'with its history');
    }

    public function test_tracks_are_muted_and_soloed_and_other_windows_hear_of_it(): void
    {
        $song = $this->song();
        $track = $song->tracks()->firstOrFail()->id;

        $this->patchJson("/api/songs/$song->id/tracks/$track", ['muted' => true])->assertOk()->assertJsonPath('revision', 2)->assertJsonPath('track.muted', true)->assertJsonPath('track.soloed', false);
        $this->patchJson("/api/songs/$song->id/tracks/$track", ['soloed' => 'yes'])->assertStatus(422);
        $changes = $this->getJson("/api/songs/$song->id/changes?since=1")->assertOk()->assertJsonPath('tracks.0.muted', true);
        self::assertSame([], (array) $changes->json('parts'));
    }

    public function test_the_demo_song_is_whole(): void
    {
        $song = Library::keep(LanternFerry::song());
        $answer = $this->getJson("/api/songs/$song->id");

        $answer->assertJsonPath('meters', [[0, 4, 4], [16 * 3840, 3, 4]]);
        self::assertCount(2, (array) $answer->json('tempos'));
        // The track of tempo and key comes last, and is not shown.
        self::assertSame(['Felt piano' => false, 'Upright bass' => false, 'Vibraphone' => false, 'Brush kit' => false, 'String pad' => false, 'Lantern Ferry' => true], array_column((array) $answer->json('tracks'), 'conductor', 'name'));
        self::assertSame(['1/8', '1/8', '1/8T', '1/8', 'bar'], array_map(static fn (array $t): string => $t['parts'][0]['settings']['grid'], array_slice((array) $answer->json('tracks'), 0, 5)));
        self::assertEquals(Exporter::export(LanternFerry::song()), Exporter::export(LanternFerry::song()), 'the same each time');
        self::assertSame([0, 0, 0], Exporter::leftOut(LanternFerry::song()));
    }

    public function test_the_interface_is_told_keys_edits_and_names(): void
    {
        $setup = $this->getJson('/api/setup')->assertOk()->assertJsonPath('importLimit', 16 * 1024 * 1024)->assertJsonPath('drums.36', 'Bass Drum 1');
        self::assertContains('quantize', (array) $setup->json('edits'));
        self::assertSame([], array_diff(['quantize', 'export', 'theme', 'recipe'], array_column((array) $setup->json('commands'), 'id')));
        self::assertContains('Q', array_column((array) $setup->json('keys.keymap'), 'keys'));
        self::assertContains('Mod+W', (array) $setup->json('kept'));
    }

    /** @return list<string> */
    private function names(): array
    {
        $names = array_column((array) $this->getJson('/api/songs')->json('songs'), 'name');
        sort($names);

        return $names;
    }

    public function test_the_list_asks_as_little_for_many_songs_as_for_few(): void
    {
        $asked = [];
        foreach ([1, 12] as $count) {
            for ($i = 0; $i < $count; $i++) {
                $this->postJson('/api/songs', ['name' => "Song $i"])->assertCreated();
            }
            \Illuminate\Support\Facades\DB::enableQueryLog();
            \Illuminate\Support\Facades\DB::flushQueryLog();
            $songs = $this->getJson('/api/songs')->assertOk()->json('songs');
            $asked[] = count(\Illuminate\Support\Facades\DB::getQueryLog());
        }
        self::assertSame($asked[0], $asked[1]);
        self::assertCount(13, $songs);
        self::assertSame(1, $songs[0]['parts']);
    }
}

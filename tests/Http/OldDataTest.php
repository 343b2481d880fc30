<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Song;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** A data file of before parts had windows is opened with everything in it: music, markers, history, shortcuts and recipes. */
final class OldDataTest extends TestCase
{
    private string $file;

    protected function setUp(): void
    {
        parent::setUp();
        $this->file = sys_get_temp_dir().'/jactonic-'.bin2hex(random_bytes(6)).'.sqlite';
        touch($this->file);
        config(['database.connections.old' => ['database' => $this->file] + (array) config('database.connections.sqlite'), 'database.default' => 'old']);
        $migrations = (array) glob(database_path('migrations/*.php'));
        Artisan::call('migrate', ['--force' => true, '--realpath' => true, '--path' => array_slice($migrations, 0, 4)]);
    }

    protected function tearDown(): void
    {
        DB::purge('old');
        config(['database.default' => 'sqlite']);
        self::removeFiles($this->file);
        parent::tearDown();
    }

    /** Two notes and a pedal; the one step so far moved the first note and put the pedal in. */
    private function fill(): void
    {
        $json = static fn (mixed $data): string => json_encode($data, JSON_THROW_ON_ERROR);
        $now = '2026-01-04 10:00:00';
        DB::table('songs')->insert(['id' => 1, 'name' => 'Quay', 'ppq' => 960, 'tempos' => '[[0,500000,0,0]]', 'meters' => '[[0,4,4,24,8,0,0]]', 'source' => $json(['format' => 1, 'division' => 960, 'scale' => 1, 'chunks' => []]),
            'revision' => 2, 'head_id' => 1, 'first_id' => 1, 'created_at' => $now, 'updated_at' => $now]);
        DB::table('tracks')->insert(['id' => 1, 'song_id' => 1, 'position' => 0, 'name' => 'Piano', 'kept' => $json([[0, 0, 0xFF, 3, base64_encode('Piano')], [1920, 1, 0xFF, 6, base64_encode('Gangway')]])]);
        $document = ['notes' => ['id' => [1, 2], 'start' => [240, 5000], 'length' => [100, 200], 'pitch' => [60, 62], 'velocity' => [80, 90], 'driftStart' => [-40, 0]],
            'points' => ['id' => [1], 'tick' => [300], 'status' => [0xB0], 'data1' => [64], 'data2' => [127]]];
        DB::table('parts')->insert(['id' => 1, 'song_id' => 1, 'track_id' => 1, 'name' => 'Take', 'document' => $json($document), 'settings' => $json(['grid' => '1/8']), 'last_end' => 5200, 'next_note' => 3, 'next_point' => 2]);
        DB::table('steps')->insert(['id' => 1, 'song_id' => 1, 'command' => $json(['edit' => 'quantize']), 'said' => '1 note to 1/16.', 'created_at' => $now, 'change' => $json(['1' => [
            'ids' => [1], 'columns' => ['start' => [[200], [240]], 'driftStart' => [[0], [-40]]],
            'pointsAfter' => ['id' => [1], 'tick' => [300], 'status' => [0xB0], 'data1' => [64], 'data2' => [127]]]])]);
        DB::table('recipes')->insert(['key' => 'later', 'recipe' => $json(['name' => 'Later', 'pick' => null, 'steps' => [['edit' => 'nudge', 'params' => ['steps' => 1]]]]), 'created_at' => $now, 'updated_at' => $now]);
    }

    public function test_nothing_of_it_is_lost_and_its_steps_are_undone(): void
    {
        $this->fill();
        Artisan::call('migrate', ['--force' => true]);

        $song = Song::query()->findOrFail(1);
        $data = $this->getJson('/api/songs/1')->assertOk();
        $part = (array) $data->json('tracks.0.parts.0');
        self::assertSame([['start' => 240, 'driftStart' => -40, 'until' => 340], ['start' => 5000, 'driftStart' => 0, 'until' => 5200]], array_map(fn (mixed $row): array => $this->named($row, ['start', 'driftStart', 'until']), (array) $part['notes']));
        self::assertSame([[1, 300, 0xB0, 64, 127, 1]], $part['points']);
        self::assertSame([0, 7680], [$part['from'], $part['to']], 'to the bar line after its end: all of it is heard');
        self::assertSame([[1920, 'Gangway']], $data->json('markers'));
        self::assertIsArray($part['settings']);
        self::assertSame('1/8', $part['settings']['grid']);

        $undone = $this->postJson('/api/songs/1/undo', ['base' => 2])->assertOk();
        self::assertSame(['start' => 200, 'driftStart' => 0], $this->named($undone->json('parts.1.put.0'), ['start', 'driftStart']));
        self::assertSame([1], $undone->json('parts.1.dropPoints'));
        $done = $this->postJson('/api/songs/1/redo', ['base' => $song->refresh()->revision])->assertOk();
        self::assertSame(['start' => 240, 'driftStart' => -40], $this->named($done->json('parts.1.put.0'), ['start', 'driftStart']));
        self::assertSame($part['notes'], $this->getJson('/api/songs/1')->json('tracks.0.parts.0.notes'));

        $this->postJson('/api/songs/1/edits', ['base' => $song->refresh()->revision, 'do' => [['recipe' => 'later', 'on' => ['part' => 1, 'notes' => [2]]]]])->assertOk();
        $this->get('/api/songs/1/file')->assertOk();
    }

    public function test_tracks_that_carried_times_and_texts_of_a_file_are_its_conductor_tracks(): void
    {
        $this->fill();
        $track = static fn (int $id, int $position, string $kept, int $song = 1): bool => DB::table('tracks')->insert(['id' => $id, 'song_id' => $song, 'position' => $position, 'name' => "Track $id", 'kept' => $kept]);
        $text = static fn (string $words): array => [0, 0, 0xFF, 1, base64_encode($words)];
        $track(2, -1, '[]');
        $track(3, 5, (string) json_encode([$text('Night ferry'), $text('Take two')]));
        $track(4, 6, '[]');
        DB::table('songs')->insert(['id' => 2, 'name' => 'New'] + (array) DB::table('songs')->first());
        $track(5, 0, '[]', 2);
        Artisan::call('migrate', ['--force' => true]);

        self::assertSame([2, 3], DB::table('tracks')->where('conductor', true)->orderBy('id')->pluck('id')->all(), 'the first without parts, and one with texts; not an empty one below, nor that of a song without any part');
        $told = array_column((array) $this->getJson('/api/songs/1')->json('tracks'), 'conductor', 'id');
        self::assertEquals([1 => false, 2 => true, 3 => true, 4 => false], $told);
    }
}

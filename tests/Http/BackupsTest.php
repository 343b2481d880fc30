<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Backups\Backups;
use App\Backups\Epoch;
use App\Models\Song;
use App\Models\Step;
use App\Songs\Library;
use App\Songs\SongFile;
use DateTimeImmutable;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Jactonic\Core\Refusal;
use PDO;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Copies of everything are whole, and take its place; a song goes with its history; deleted songs come back or go for good. */
final class BackupsTest extends TestCase
{
    private string $folder = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/jactonic-backups-'.bin2hex(random_bytes(6));
        File::ensureDirectoryExists($this->folder);
        $this->file = "$this->folder/data.sqlite";
        touch($this->file);
        config(['database.connections.kept' => ['database' => $this->file] + (array) config('database.connections.sqlite'), 'database.connections.sqlite.database' => $this->file, 'database.default' => 'kept']);
        app()->useStoragePath($this->folder);
        Artisan::call('migrate', ['--force' => true]);
    }

    private string $file = '';

    protected function tearDown(): void
    {
        DB::purge('kept');
        config(['database.default' => 'sqlite', 'database.connections.sqlite.database' => ':memory:']);
        File::deleteDirectory($this->folder);
        parent::tearDown();
    }

    private function transpose(Song $song, int $by): void
    {
        $this->do($song, [['edit' => 'transpose', 'on' => $this->all($song), 'params' => ['semitones' => $by]]])->assertOk();
    }

    /** @return list<string> */
    private function copies(): array
    {
        return array_map(basename(...), glob("$this->folder/backups/*.sqlite") ?: []);
    }

    public function test_a_backup_has_everything_and_takes_the_place_of_what_is_there(): void
    {
        $song = $this->song();
        $this->transpose($song, 1);
        $this->postJson('/api/recipes/import', ['file' => ['name' => 'Up', 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => 1]]]]])->assertCreated();
        $before = $this->getJson("/api/songs/$song->id")->json();
        $made = $this->postJson('/api/backups')->assertCreated()->assertJsonPath('where', "$this->folder/backups")->json('made');
        self::assertSame([$made], $this->copies());

        $this->transpose($song, 5);
        $this->song('Another');
        $epoch = Epoch::now();
        $restored = $this->postJson("/api/backups/$made/restore")->assertOk();
        self::assertNotSame($epoch, Epoch::now(), 'every window begins anew');
        self::assertSame($before, $this->getJson("/api/songs/$song->id")->json());
        self::assertSame(1, Song::query()->count());
        self::assertCount(1, array_filter((array) $this->getJson('/api/recipes')->json('recipes'), static fn (array $r): bool => $r['name'] === 'Up'));
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision])->assertOk()->assertJsonPath('said.0', 'Undone: 4 notes up a semitone.');
        // What was there is kept, and is a backup too.
        $this->postJson('/api/backups/'.$restored->json('aside').'/restore')->assertOk();
        self::assertSame(2, Song::query()->count());
        self::assertSame('wal', DB::connection()->getPdo()->query('pragma journal_mode')?->fetchColumn());
    }

    public function test_a_backup_is_consistent_while_others_write_and_is_sent_and_taken_as_a_file(): void
    {
        $song = $this->song();
        $other = new PDO("sqlite:$this->file");
        $other->exec('begin; update songs set name = "half done"');
        $made = $this->postJson('/api/backups')->assertCreated()->json('made');
        $other->exec('rollback');
        self::assertSame('Quay', (new PDO("sqlite:$this->folder/backups/$made"))->query('select name from songs')?->fetchColumn());
        $bytes = (string) $this->get("/api/backups/$made/file")->assertOk()->streamedContent();
        self::assertStringStartsWith('SQLite format 3', $bytes);
        $this->transpose($song, 7);
        $this->post('/api/backups/restore', ['file' => UploadedFile::fake()->createWithContent('copy.sqlite', $bytes)])->assertOk();
        self::assertSame(0, Step::query()->count());
    }

    public function test_what_is_no_backup_is_refused_and_nothing_is_changed(): void
    {
        $this->song();
        $made = (string) $this->postJson('/api/backups')->json('made');
        $path = "$this->folder/backups/$made";
        $bytes = (string) file_get_contents($path);
        foreach (['a letter' => 'is no data file', substr_replace($bytes, str_repeat("\xA5", 30_000), 9000, 30_000) => 'is damaged', substr($bytes, 0, 20_000) => 'is damaged'] as $bad => $why) {
            $this->post('/api/backups/restore', ['file' => UploadedFile::fake()->createWithContent('copy.sqlite', $bad)])->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, $why));
        }
        $newer = new PDO("sqlite:$path");
        $newer->exec("insert into migrations (migration, batch) values ('2999_01_01_000000_what_is_to_come', 9)");
        $this->postJson("/api/backups/$made/restore")->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, 'made by a newer Jactonic'));
        $this->postJson('/api/backups/no-such.sqlite/restore')->assertStatus(422);
        $this->get('/api/backups/..%2Fdata.sqlite/file')->assertNotFound();
        self::assertSame([$made], $this->copies(), 'nothing was put aside');
        self::assertSame(1, Song::query()->count());
    }

    public function test_once_a_day_on_which_anything_changed_and_a_week_and_four_weeks_are_kept(): void
    {
        $backups = Backups::here();
        $day = new DateTimeImmutable('2026-10-01 09:00:00');
        self::assertNull($backups->daily($day), 'there is nothing yet');
        $song = $this->song();
        for ($i = 0; $i < 45; $i++, $day = $day->modify('+1 day')) {
            $this->transpose($song, $i % 2 === 0 ? 1 : -1);
            self::assertNotNull($backups->daily($day));
            self::assertNull($backups->daily($day->modify('+5 hours')), 'once a day');
        }
        // The last of four weeks (Sundays, but for the last), and seven days.
        self::assertSame(['data-2026-10-25.sqlite', 'data-2026-11-01.sqlite', 'data-2026-11-08.sqlite', 'data-2026-11-09.sqlite', 'data-2026-11-10.sqlite', 'data-2026-11-11.sqlite', 'data-2026-11-12.sqlite', 'data-2026-11-13.sqlite', 'data-2026-11-14.sqlite'], $this->copies());
        self::assertNull($backups->daily($day), 'nothing changed');
        $this->postJson('/api/recipes/import', ['file' => ['name' => 'Up', 'steps' => [['edit' => 'transpose', 'params' => ['semitones' => 1]]]]])->assertCreated();
        self::assertNotNull($backups->daily($day), 'a recipe is a change too');
    }

    public function test_backups_are_made_and_restored_by_the_command_line(): void
    {
        $song = $this->song();
        self::assertSame(0, Artisan::call('jactonic:backup', ['file' => "$this->folder/mine.sqlite"]));
        self::assertStringContainsString('it was checked and is complete', Artisan::output());
        self::assertSame(2, Artisan::call('jactonic:backup', ['file' => "$this->folder/mine.sqlite"]), 'no file is written over');
        $song->forceDelete();
        self::assertSame(0, Artisan::call('jactonic:restore', ['file' => "$this->folder/mine.sqlite"]));
        self::assertSame(['Quay'], Song::query()->pluck('name')->all());
        self::assertSame(2, Artisan::call('jactonic:restore', ['file' => "$this->folder/none.sqlite"]));
        self::assertSame(2, Artisan::call('jactonic:backup', ['file' => "$this->folder/data.sqlite/inside.sqlite"]));
    }

    public function test_a_song_goes_with_its_history_to_another_machine(): void
    {
        $this->song('In the way');
        $song = $this->song();
        $part = $this->partId($song);
        $track = $song->tracks()->has('parts')->firstOrFail()->id;
        $this->transpose($song, 3);
        $this->do($song, [['edit' => 'part-new', 'on' => ['tracks' => [$track]], 'params' => ['name' => 'Second', 'from' => 7680, 'to' => 11520]], ['edit' => 'part-delete', 'on' => ['parts' => [$part]]], ['edit' => 'track-new', 'params' => ['program' => 4]]])->assertOk();
        $this->postJson("/api/songs/$song->id/undo", ['base' => $song->refresh()->revision, 'times' => 4])->assertOk();
        $this->transpose($song, -2);
        $this->postJson("/api/songs/$song->id/grooves", ['groove' => ['name' => 'Deck', 'grid' => '1/8', 'time' => [0, 0.1], 'velocity' => [90, 70]]])->assertCreated();
        $states = fn (Song $s): array => array_map(function (?int $step) use ($s): array {
            $this->postJson("/api/songs/$s->id/steps", ['base' => $s->refresh()->revision, 'step' => $step])->assertOk();

            return [md5(Library::export($s)), count((array) $this->getJson("/api/songs/$s->id")->json('tracks'))];
        }, [null, ...array_values(array_map(intval(...), Step::query()->where('song_id', $s->id)->orderBy('id')->pluck('id')->all())), null]);
        $expected = $states($song);
        $bytes = (string) $this->get("/api/songs/$song->id/whole")->assertOk()->getContent();

        $come = $this->upload($bytes, 'Quay.jactonic')->assertCreated()->json('song.id');
        $there = Song::query()->findOrFail($come);
        self::assertSame('Quay', $there->name);
        self::assertSame($expected, $states($there));
        self::assertSame($expected, $states($song), 'the one that was there is as it was');
        self::assertSame(['Deck'], array_column(array_column((array) $this->getJson("/api/songs/$come/grooves")->json('grooves'), 'groove'), 'name'));
        $this->transpose($there, 1);
    }

    public function test_a_damaged_song_file_is_refused_and_nothing_is_kept(): void
    {
        $song = $this->song();
        $this->transpose($song, 1);
        $bytes = SongFile::write($song);
        /** @var array<string, mixed> $data */
        $data = json_decode((string) gzdecode($bytes), true, 64, JSON_THROW_ON_ERROR);
        $bad = [substr($bytes, 0, (int) (strlen($bytes) / 2))];
        foreach (['tracks', 'parts', 'steps', 'songs'] as $table) {
            $bad[] = gzencode(json_encode([$table => []] + $data, JSON_THROW_ON_ERROR));
            $bad[] = gzencode(json_encode([$table => [['id' => 7]]] + $data, JSON_THROW_ON_ERROR));
        }
        foreach ([['parts', 'notes', base64_encode('none')], ['steps', 'change', 'none'], ['steps', 'parent_id', 99], ['parts', 'track_id', 99], ['songs', 'tempos', '[]x'], ['songs', 'head_id', 12345]] as [$table, $column, $value]) {
            $broken = $data;
            $broken[$table][0][$column] = $value; // @phpstan-ignore offsetAccess.nonOffsetAccessible, offsetAccess.nonOffsetAccessible
            $bad[] = gzencode(json_encode($broken, JSON_THROW_ON_ERROR));
        }
        foreach ($bad as $i => $file) {
            $status = $this->upload((string) $file, 'Quay.jactonic')->status();
            self::assertContains($status, $i === 3 ? [201, 422] : [422], "file $i");
        }
        self::assertLessThanOrEqual(2, Song::query()->count());
        $this->upload((string) gzencode(json_encode(['version' => 2] + $data, JSON_THROW_ON_ERROR)), 'Quay.jactonic')->assertStatus(422)->assertJsonPath('detail', static fn (string $d): bool => str_contains($d, 'newer'));
    }

    public function test_deleted_songs_are_listed_brought_back_or_removed_for_good(): void
    {
        $song = $this->song();
        $this->do($song, [['edit' => 'insert', 'on' => ['part' => $this->partId($song), 'notes' => []], 'params' => ['notes' => array_map(static fn (int $i): array => ['start' => $i * 10, 'length' => 100, 'pitch' => $i % 128], range(1, 20_000))]]])->assertOk();
        $other = $this->song('Stays');
        $this->deleteJson("/api/songs/$song->id")->assertNoContent();
        $this->getJson('/api/deleted-songs')->assertOk()->assertJsonPath('songs.0.name', 'Quay')->assertJsonCount(1, 'songs');
        $this->deleteJson("/api/deleted-songs/$other->id")->assertNotFound();
        $this->postJson("/api/songs/$song->id/restore")->assertOk();
        $this->getJson('/api/deleted-songs')->assertJsonCount(0, 'songs');
        $this->deleteJson("/api/songs/$song->id")->assertNoContent();
        clearstatcache();
        DB::connection()->getPdo()->exec('pragma wal_checkpoint(truncate)');
        $before = (int) filesize($this->file);
        $this->deleteJson("/api/deleted-songs/$song->id")->assertNoContent();
        clearstatcache();
        self::assertLessThan($before / 2, (int) filesize($this->file), 'the room is given back');
        self::assertSame(['Stays'], Song::withTrashed()->pluck('name')->all());
        self::assertSame(0, Step::query()->where('song_id', $song->id)->count());
    }

    public function test_stopping_writes_the_log_back_so_that_the_file_alone_is_whole(): void
    {
        $name = 'stopped-'.bin2hex(random_bytes(4));
        $root = dirname(__DIR__, 2);
        $server = new Process(['bash', '-c', "source bin/lib.sh; data $name; serve 8611 storage/logs/$name.log"], $root);
        $server->start();
        $port = null;
        for ($i = 0; $i < 200 && $port === null; $i++) {
            usleep(50_000);
            $port = preg_match('~http://127\.0\.0\.1:(\d+)/~', $server->getErrorOutput(), $m) === 1 ? $m[1] : null;
        }
        self::assertNotNull($port, $server->getErrorOutput());
        $made = file_get_contents("http://127.0.0.1:$port/api/songs", context: stream_context_create(['http' => ['method' => 'POST', 'header' => 'Content-Type: application/json', 'content' => '{"name": "Lock"}']]));
        self::assertIsString($made);
        $server->signal(SIGTERM);
        $server->wait();
        $files = array_map(basename(...), glob("$root/storage/$name.sqlite*") ?: []);
        $alone = (new PDO("sqlite:$root/storage/$name.sqlite"))->query('select name from songs')?->fetchColumn();
        array_map(unlink(...), [...glob("$root/storage/$name.sqlite*") ?: [], ...glob("$root/storage/backups/$name-*") ?: [], ...glob("$root/storage/framework/$name-*") ?: [], "$root/storage/logs/$name.log"]);
        self::assertSame(["$name.sqlite"], $files, 'no log is left');
        self::assertSame('Lock', $alone);
    }

    public function test_the_disk_is_full(): void
    {
        $this->song();
        try {
            Backups::here()->make('/proc/none/copy.sqlite');
            self::fail('It was made.');
        } catch (Refusal $refusal) {
            self::assertStringContainsString('could not be made', $refusal->getMessage());
        }
    }
}

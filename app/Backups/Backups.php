<?php

declare(strict_types=1);

namespace App\Backups;

use DateTimeImmutable;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use Jactonic\Core\Refusal;
use PDOException;
use SQLite3;

/**
 * Copies of the whole data file: songs with their histories, shelf, recipes, shortcuts, grooves, settings. SQLite makes
 * them, so that they are consistent while the server goes on; each is read through when it is made. One a day is made by
 * itself where anything changed; of those the last seven are kept, and the last of each of the last four weeks.
 */
final readonly class Backups
{
    private const DAYS = 7;

    private const WEEKS = 4;

    /** Milliseconds for which a copy into the data file waits for who writes. */
    private const PATIENCE = 10_000;

    public function __construct(private string $data, public string $folder)
    {
    }

    public static function here(): self
    {
        $data = config('database.connections.sqlite.database');

        return new self(is_string($data) ? $data : '', storage_path('backups'));
    }

    /**
     * Makes a copy.
     *
     * @param  string|null  $to  null for a file in the folder, named by date and time
     * @return string its path
     *
     * @throws Refusal where it cannot be made, or is not whole; then none is left
     */
    public function make(?string $to = null, ?DateTimeImmutable $now = null): string
    {
        $to ??= $this->free('-'.($now ?? new DateTimeImmutable)->format('Y-m-d-His'));
        if (file_exists($to)) {
            throw new Refusal(basename($to).' is there already; name another file.', 'file');
        }
        $part = "$to.part";
        try {
            File::ensureDirectoryExists(dirname($to));
            @unlink($part);
            DB::connection()->getPdo()->exec('vacuum into '.DB::connection()->getPdo()->quote($part));
            (new DataFile($part))->check();
            if (! @rename($part, $to)) {
                throw new Refusal("$to cannot be written.", 'file');
            }
        } catch (PDOException|\ErrorException $e) {
            throw new Refusal("The copy could not be made: $to cannot be written, or the disk is full.", 'file');
        } finally {
            @unlink($part);
        }

        return $to;
    }

    /**
     * Today's copy, where there is none yet and anything changed since the last; older ones beyond those that are kept go.
     *
     * @return string|null its path; null where none was due
     */
    public function daily(?DateTimeImmutable $now = null): ?string
    {
        $now ??= new DateTimeImmutable;
        $dated = $this->dated();
        $today = $now->format('Y-m-d');
        $state = DataFile::stateOf(static fn (string $select): array => DataFile::columnOf(DB::connection()->getPdo(), $select));
        $last = $dated === [] ? null : $dated[array_key_last($dated)];
        if (isset($dated[$today]) || ($last !== null && (new DataFile($last))->state() === $state) || DB::table('songs')->doesntExist()) {
            return null;
        }
        $made = $this->make($this->path("-$today"));
        $this->tidy();

        return $made;
    }

    /**
     * The copies there are, the newest first.
     *
     * @return list<array{name: string, made: string, bytes: int, songs: int|null, daily: bool}>
     */
    public function all(): array
    {
        $all = [];
        foreach (glob($this->folder.'/'.$this->base().'-*.sqlite') ?: [] as $path) {
            $all[] = ['name' => basename($path), 'made' => date(DATE_ATOM, (int) filemtime($path)), 'bytes' => (int) filesize($path), 'songs' => (new DataFile($path))->songs(), 'daily' => in_array($path, $this->dated(), true)];
        }
        usort($all, static fn (array $a, array $b): int => [$b['made'], $b['name']] <=> [$a['made'], $a['name']]);

        return $all;
    }

    /**
     * The path of a copy by its name.
     *
     * @throws Refusal where there is none
     */
    public function find(string $name): string
    {
        foreach ($this->all() as $copy) {
            if ($copy['name'] === $name) {
                return "$this->folder/$name";
            }
        }
        throw new Refusal("There is no backup “{$name}”.", 'name');
    }

    /**
     * Puts a copy in the place of the data file, which is kept aside; whoever works in it goes on with the copy.
     *
     * @return string where the data file of before is kept
     *
     * @throws Refusal where the copy is none, or is damaged; then nothing is changed
     */
    public function restore(string $from, ?DateTimeImmutable $now = null): string
    {
        (new DataFile($from))->check();
        $aside = $this->make($this->free('-before-restore-'.($now ?? new DateTimeImmutable)->format('Y-m-d-His')));
        $copy = new SQLite3($from, SQLITE3_OPEN_READONLY);
        $here = new SQLite3($this->data);
        $here->busyTimeout(self::PATIENCE);
        try {
            if (! @$copy->backup($here)) {
                throw new Refusal('The data file is in use by a longer request. Nothing was changed; try again in a moment.');
            }
        } finally {
            $copy->close();
            $here->close();
        }
        DB::purge();
        DB::statement('pragma journal_mode = wal');
        Artisan::call('migrate', ['--force' => true]);
        Epoch::begin();

        return $aside;
    }

    /** @return array<string, string> paths of the daily copies by date, the oldest first */
    private function dated(): array
    {
        $dated = [];
        foreach (glob($this->folder.'/'.$this->base().'-*.sqlite') ?: [] as $path) {
            if (preg_match('/-(\d{4}-\d{2}-\d{2})\.sqlite$/', $path, $m) === 1) {
                $dated[$m[1]] = $path;
            }
        }
        ksort($dated);

        return $dated;
    }

    private function tidy(): void
    {
        $dated = $this->dated();
        $kept = array_slice($dated, -self::DAYS, null, true);
        $weeks = [];
        foreach ($dated as $date => $path) {
            $weeks[(new DateTimeImmutable($date))->format('o-W')] = [$date => $path];
        }
        foreach (array_slice($weeks, -self::WEEKS) as $last) {
            $kept += $last;
        }
        foreach (array_diff_key($dated, $kept) as $path) {
            @unlink($path);
        }
    }

    private function base(): string
    {
        return pathinfo($this->data, PATHINFO_FILENAME);
    }

    private function path(string $end): string
    {
        return "$this->folder/{$this->base()}$end.sqlite";
    }

    /** A path that is free. */
    private function free(string $end): string
    {
        for ($path = $this->path($end), $i = 2; file_exists($path); $i++) {
            $path = $this->path("$end-$i");
        }

        return $path;
    }
}

<?php

declare(strict_types=1);

namespace App\Backups;

use Jactonic\Core\Refusal;
use PDO;
use PDOException;

/** A data file on the disk that is not the one being worked in: looked into, and checked, without changing it. */
final readonly class DataFile
{
    /** Tables without which a file is none of Jactonic. */
    private const TABLES = ['songs', 'tracks', 'parts', 'steps', 'migrations'];

    public function __construct(public string $path)
    {
    }

    /**
     * Reads all of it, and looks whether it is whole.
     *
     * @throws Refusal that says what is wrong
     */
    public function check(): void
    {
        $name = basename($this->path);
        if (! is_file($this->path) || ! is_readable($this->path)) {
            throw new Refusal("$name is not there, or cannot be read.", 'file');
        }
        if (file_get_contents($this->path, length: 15) !== 'SQLite format 3') {
            throw new Refusal("$name is no data file of Jactonic.", 'file');
        }
        try {
            $tables = $this->column("select name from sqlite_master where type = 'table'");
            if (array_diff(self::TABLES, $tables) !== []) {
                throw new Refusal("$name is no data file of Jactonic.", 'file');
            }
            $unknown = array_diff($this->column('select migration from migrations'), array_map(static fn (string $f): string => basename($f, '.php'), glob(database_path('migrations/*.php')) ?: []));
            if ($unknown !== []) {
                throw new Refusal("$name was made by a newer Jactonic than this one: it can be opened by that only.", 'file');
            }
            if ($this->column('pragma integrity_check(1)') !== ['ok'] || $this->column('pragma foreign_key_check') !== []) {
                throw new Refusal("$name is damaged.", 'file');
            }
        } catch (PDOException) {
            throw new Refusal("$name is damaged.", 'file');
        }
    }

    /** How many songs are in it; null where that cannot be read. */
    public function songs(): ?int
    {
        try {
            return (int) ($this->column('select count(*) from songs where deleted_at is null')[0] ?? 0);
        } catch (PDOException) {
            return null;
        }
    }

    /** Something that is another wherever anything in it is; '' where that cannot be read. */
    public function state(): string
    {
        try {
            return self::stateOf(fn (string $select): array => $this->column($select));
        } catch (PDOException) {
            return '';
        }
    }

    /** @param  \Closure(string): list<string>  $column  the first column of what a statement selects */
    public static function stateOf(\Closure $column): string
    {
        $told = [...$column('select count(*) || \' \' || coalesce(sum(revision), 0) || \' \' || coalesce(sum(deleted_at is null), 0) from songs'), ...$column('select coalesce(max(id), 0) || \' \' || count(*) from steps'),
            ...$column('select name || value from settings order by name')];
        foreach (['recipes', 'key_sets', 'grooves', 'shelf'] as $table) {
            array_push($told, ...$column("select count(*) || ' ' || coalesce(max(updated_at), '') || ' ' || coalesce(max(id), 0) from $table"));
        }

        return hash('sha256', implode("\n", $told));
    }

    /** @return list<string> */
    private function column(string $select): array
    {
        return self::columnOf(new PDO("sqlite:$this->path", options: [PDO::ATTR_ERRMODE => PDO::ERRMODE_EXCEPTION, PDO::SQLITE_ATTR_OPEN_FLAGS => PDO::SQLITE_OPEN_READONLY]), $select);
    }

    /** @return list<string> the first column of what a statement selects */
    public static function columnOf(PDO $pdo, string $select): array
    {
        $read = $pdo->query($select);

        return $read === false ? [] : array_map(static fn (mixed $v): string => is_scalar($v) ? (string) $v : '', array_values($read->fetchAll(PDO::FETCH_COLUMN)));
    }
}

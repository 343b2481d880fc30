<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Song;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;

/**
 * One song with its history as a file, to be imported on another machine: JSON, packed with gzip. It holds the rows of
 * the song as they are kept; where it comes in, tracks, parts and steps get numbers that are free there.
 */
final class SongFile
{
    private const KIND = 'jactonic-song';

    private const VERSION = 1;

    /** What is kept of a song in each table, but for its numbers. */
    private const COLUMNS = [
        'songs' => ['name', 'ppq', 'tempos', 'meters', 'markers', 'scale', 'source', 'head_id', 'first_id'],
        'tracks' => ['id', 'position', 'name', 'muted', 'soloed', 'end', 'kept', 'gone', 'rows', 'conductor'],
        'parts' => ['id', 'track_id', 'name', 'origin', 'window_from', 'window_to', 'muted', 'gone', 'plays', 'lets', 'given', 'settings', 'last_end', 'next_note', 'next_point', 'notes', 'points'],
        'steps' => ['id', 'parent_id', 'next_id', 'depth', 'command', 'said', 'chosen', 'change', 'created_at'],
        'grooves' => ['groove'],
    ];

    private const PACKED = ['notes', 'points'];

    /** What files of before it was kept do not say. */
    private const SINCE = ['given' => null];

    /** Whether a file is one, by how it begins. */
    public static function is(string $bytes): bool
    {
        $inflate = inflate_init(ZLIB_ENCODING_GZIP);

        return str_starts_with($bytes, "\x1F\x8B") && $inflate !== false && str_contains(substr((string) @inflate_add($inflate, substr($bytes, 0, 4096)), 0, 200), '"'.self::KIND.'"');
    }

    public static function write(Song $song): string
    {
        $data = ['kind' => self::KIND, 'version' => self::VERSION];
        foreach (self::COLUMNS as $table => $columns) {
            $rows = DB::table($table)->where($table === 'songs' ? 'id' : 'song_id', $song->id)->orderBy('id')->get($columns)->all();
            $data[$table] = array_map(static function (\stdClass $row): array {
                $row = (array) $row;
                foreach (self::PACKED as $name) {
                    $row = isset($row[$name]) && is_string($row[$name]) ? [$name => base64_encode($row[$name])] + $row : $row;
                }

                return $row;
            }, $rows);
        }
        $text = json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);

        return (string) gzencode($text, 6);
    }

    /**
     * Brings a song in as a new one.
     *
     * @throws Refusal where the file is none, or is damaged; then nothing is kept
     */
    public static function read(string $bytes): Song
    {
        $text = @gzdecode($bytes);
        $data = $text === false ? null : json_decode($text, true);
        if (! is_array($data) || ($data['kind'] ?? null) !== self::KIND) {
            throw new Refusal('The file is damaged: it cannot be read as a song with its history. Nothing was imported.', 'file');
        }
        if (($data['version'] ?? null) !== self::VERSION) {
            throw new Refusal('The file was saved by a newer Jactonic than this one. Nothing was imported.', 'file');
        }
        try {
            return Transaction::whole(static fn (): Song => self::keep($data));
        } catch (Refusal $refusal) {
            throw $refusal;
        } catch (\Throwable $e) {
            throw new Refusal('The file is damaged: what it says of the song does not fit together. Nothing was imported.', 'file');
        }
    }

    /** @param  array<array-key, mixed>  $data */
    private static function keep(array $data): Song
    {
        [$song] = self::rows($data, 'songs');
        $now = gmdate('Y-m-d H:i:s');
        $numbers = new Renumbering(self::rows($data, 'tracks'), self::rows($data, 'parts'), self::rows($data, 'steps'));
        $id = DB::table('songs')->insertGetId(['name' => Library::name($song['name']), 'revision' => 1, 'time_revision' => 1, 'created_at' => $now, 'updated_at' => $now,
            'head_id' => $numbers->step($song['head_id']), 'first_id' => $numbers->step($song['first_id'])] + $song);
        foreach (self::rows($data, 'tracks') as $row) {
            DB::table('tracks')->insert(['id' => $numbers->track($row['id']), 'song_id' => $id] + $row);
        }
        foreach (self::rows($data, 'parts') as $row) {
            foreach (self::PACKED as $name) {
                $row[$name] = is_string($row[$name]) ? (string) base64_decode($row[$name], true) : '';
            }
            self::check(Table::notes(), $row['notes']);
            self::check(Table::points(), $row['points']);
            DB::table('parts')->insert(['id' => $numbers->part($row['id']), 'song_id' => $id, 'track_id' => $numbers->track($row['track_id'])] + $row);
        }
        foreach (self::rows($data, 'steps') as $row) {
            $change = $numbers->change(self::text($row['change']));
            ChangeCodec::parts($change);
            DB::table('steps')->insert(['id' => $numbers->step($row['id']), 'song_id' => $id, 'parent_id' => $numbers->step($row['parent_id']), 'next_id' => $numbers->step($row['next_id']),
                'change' => $change, 'chosen' => $row['chosen'] === null ? null : $numbers->named(self::text($row['chosen'])), 'command' => $numbers->named(self::text($row['command']))] + $row);
        }
        foreach (self::rows($data, 'grooves') as $row) {
            DB::table('grooves')->insert(['song_id' => $id, 'created_at' => $now, 'updated_at' => $now] + $row);
        }
        $kept = Song::query()->findOrFail($id);
        // It can be drawn and saved, or is not kept.
        Library::export($kept);
        (new SongView($kept))->whole();

        return $kept;
    }

    /**
     * Reads packed notes or points through: what does not come out as it went in is not kept.
     *
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     */
    private static function check(Table $table, string $packed): void
    {
        $read = Rows::read($table, static fn (): string => $packed, 0)->all();
        if ($packed !== '' && Rows::of($table, $read)->bytes() !== $packed) {
            throw new \UnexpectedValueException('Notes or points cannot be read.');
        }
    }

    /**
     * @param  array<array-key, mixed>  $data
     * @return list<array<string, mixed>>
     */
    private static function rows(array $data, string $table): array
    {
        $rows = $data[$table] ?? null;
        if (! is_array($rows) || ! array_is_list($rows) || ($table === 'songs' && count($rows) !== 1)) {
            throw new \UnexpectedValueException("No rows of $table.");
        }

        $rows = $table === 'parts' ? array_map(static fn (mixed $row): mixed => is_array($row) ? $row + self::SINCE : $row, $rows) : $rows;

        return array_map(static fn (mixed $row): array => is_array($row) && array_diff(self::COLUMNS[$table], array_keys($row)) === [] ? array_intersect_key($row, array_flip(self::COLUMNS[$table])) : throw new \UnexpectedValueException("A row of $table is short."), $rows);
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : throw new \UnexpectedValueException('What should be a text is none.');
    }
}

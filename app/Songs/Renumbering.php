<?php

declare(strict_types=1);

namespace App\Songs;

use Illuminate\Support\Facades\DB;

/** Numbers of tracks, parts and steps that come from elsewhere, as they are here: later by as many as are taken. */
final class Renumbering
{
    /** @var array<string, int> by table, how much more each number is here */
    private array $more = [];

    /** @var array<string, array<int, true>> by table, the numbers that come */
    private array $known = [];

    /**
     * @param  list<array<string, mixed>>  $tracks
     * @param  list<array<string, mixed>>  $parts
     * @param  list<array<string, mixed>>  $steps
     */
    public function __construct(array $tracks, array $parts, array $steps)
    {
        foreach (['tracks' => $tracks, 'parts' => $parts, 'steps' => $steps] as $table => $rows) {
            $ids = array_map(self::int(...), array_column($rows, 'id'));
            $last = DB::table($table)->max('id');
            $this->more[$table] = $ids === [] ? 0 : (is_numeric($last) ? (int) $last : 0) + 1 - min($ids);
            $this->known[$table] = array_fill_keys($ids, true);
        }
    }

    public function track(mixed $id): int
    {
        return $this->number('tracks', $id);
    }

    public function part(mixed $id): int
    {
        return $this->number('parts', $id);
    }

    public function step(mixed $id): ?int
    {
        return $id === null ? null : $this->number('steps', $id);
    }

    /** A change as `Core\Edit\ChangeCodec` writes it: parts and tracks are its keys, and heads name their tracks. */
    public function change(string $json): string
    {
        /** @var array<array-key, mixed> $data */
        $data = json_decode($json, true, 64, JSON_THROW_ON_ERROR);
        $changed = [];
        foreach ($data as $key => $value) {
            if (is_int($key) && is_array($value)) {
                foreach ([0, 1] as $side) {
                    if (is_array($value['head'] ?? null) && is_array($value['head'][$side] ?? null)) {
                        $value['head'][$side][0] = $this->track($value['head'][$side][0]);
                    }
                }
                $changed[$this->part($key)] = $value;
            } elseif ($key === 'tracks' && is_array($value)) {
                $tracks = [];
                foreach ($value as $track => $sides) {
                    $tracks[$this->track($track)] = $sides;
                }
                $changed[$key] = (object) $tracks;
            } else {
                $changed[$key] = $value;
            }
        }

        return json_encode((object) $changed, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /** A command, or what was selected: wherever it names parts and tracks. What it names that is not there stays as it is. */
    public function named(string $json): string
    {
        return json_encode($this->walk(json_decode($json, true, 64, JSON_THROW_ON_ERROR)), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
    }

    private function walk(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }
        foreach ($value as $key => $inner) {
            $table = match ($key) {
                'part', 'parts' => 'parts',
                'track', 'tracks' => 'tracks',
                default => null,
            };
            $value[$key] = match (true) {
                // “tracks” may also be how many tracks down: then it is a number by itself.
                ($key === 'part' || $key === 'track') && is_int($inner) => $this->there((string) $table, $inner),
                $table !== null && is_array($inner) && array_is_list($inner) => array_map(fn (mixed $id): mixed => is_int($id) ? $this->there($table, $id) : $this->walk($id), $inner),
                default => $this->walk($inner),
            };
        }

        return $value;
    }

    private function there(string $table, int $id): int
    {
        return isset($this->known[$table][$id]) ? $id + $this->more[$table] : $id;
    }

    private function number(string $table, mixed $id): int
    {
        $id = self::int($id);

        return isset($this->known[$table][$id]) ? $id + $this->more[$table] : throw new \UnexpectedValueException("$id is none of the $table of the file.");
    }

    private static function int(mixed $id): int
    {
        return is_numeric($id) ? (int) $id : throw new \UnexpectedValueException('What should be a number is none.');
    }
}

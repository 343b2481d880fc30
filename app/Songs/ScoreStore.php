<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Song;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\PartChange;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use stdClass;

/**
 * Between the rows of the database and a score. A score is opened with the heads of all its parts and none of their
 * notes: a part's document is read when something in it is asked for. Only what a change touches is written.
 */
final class ScoreStore
{
    private const HEAD = ['id', 'track_id', 'name', 'origin', 'window_from', 'window_to', 'muted', 'plays', 'lets', 'given', 'settings', 'last_end', 'next_note', 'next_point'];

    /** Documents that are read together at most. */
    private const TOGETHER = 64;

    /** @var array<int, non-empty-array<string, mixed>> heads to be written, by part */
    private array $heads = [];

    /** @var list<int> of the parts whose heads were read */
    private array $ids = [];

    /** @var array<string, array<int, string>> documents read ahead, by column and part */
    private array $ahead = [];

    /** @var array<string, int> how often each column was read */
    private array $reads = [];

    /** @var array<int, int> tick at which the last note of each part ends */
    private array $lastEnds = [];

    public function __construct(private readonly Song $song)
    {
    }

    public function open(): Score
    {
        $tracks = $parts = [];
        // Said outright: to put the words together takes longer than to find the rows, and each edit asks for them.
        /** @var list<stdClass> $rows */
        $rows = Transaction::connection()->select('select id, name, position, kept, "end", conductor, (select max(id) from parts) as parts, (select max(id) from tracks) as tracks from tracks where song_id = ? and gone = 0', [$this->song->id]);
        /** @var object{parts: int|null, tracks: int|null} $last */
        $last = $rows[0] ?? Transaction::connection()->selectOne('select (select max(id) from parts) as parts, (select max(id) from tracks) as tracks');
        foreach ($rows as $row) {
            $tracks[self::int($row->id)] = new Track(self::int($row->id), self::text($row->name), self::int($row->position), self::text($row->kept), self::int($row->end), (bool) $row->conductor);
        }
        /** @var list<stdClass> $rows */
        $rows = Transaction::connection()->select('select '.implode(', ', self::HEAD).' from parts where song_id = ? and gone = 0 order by id', [$this->song->id]);
        foreach ($rows as $row) {
            $parts[self::int($row->id)] = $this->part($row);
        }

        return new Score($this->song->time(), $parts, $tracks, 1 + (int) $last->parts, 1 + (int) $last->tracks, name: $this->song->name, scale: Scale::tryParse($this->song->scale));
    }

    /**
     * The score with parts of it that were taken away, to be brought back.
     *
     * @param  list<int>  $ids
     */
    public function withGone(Score $score, array $ids): Score
    {
        $missing = array_values(array_diff($ids, array_keys($score->parts), array_keys($score->gone)));
        if ($missing === []) {
            return $score;
        }
        $gone = $score->gone;
        foreach (DB::table('parts')->where('song_id', $this->song->id)->whereIn('id', $missing)->get(self::HEAD) as $row) {
            $gone[self::int($row->id)] = $this->part($row);
        }

        return new Score($score->time, $score->parts, $score->tracks, $score->nextPart, $score->nextTrack, $gone, $score->name, $score->scale);
    }

    /** The score with all its parts that were taken away. */
    public function withAllGone(Score $score): Score
    {
        return $this->withGone($score, array_values(array_map(self::int(...), DB::table('parts')->where('song_id', $this->song->id)->where('gone', true)->pluck('id')->all())));
    }

    /** The tick after the last that any part reaches to, notes past its window included. */
    public function lastEnd(Score $score): int
    {
        $end = 0;
        foreach ($score->parts as $id => $part) {
            $end = max($end, $this->lastEnds[$id] ?? 0, $part->head->to === PartHead::OPEN ? 0 : $part->head->soundsTo());
        }

        return $end;
    }

    /**
     * Keeps what a change made of a score.
     *
     * @param  array<int, true>  $rebuilt  parts that are kept whole, whatever the change says of them
     * @param  array<int, true>  $set  parts whose settings were set
     */
    public function save(Score $score, Change $change, array $rebuilt, array $set, int $revision): void
    {
        // Tracks first: parts name them.
        foreach ($change->tracks as $id => $track) {
            $kept = $track->after === null ? ['gone' => true] : ['song_id' => $this->song->id, 'name' => $track->after->name, 'position' => $track->after->order,
                'kept' => json_encode($track->after->toArray()[2], JSON_THROW_ON_ERROR), 'end' => $track->after->end, 'conductor' => $track->after->conductor, 'gone' => false];
            DB::table('tracks')->updateOrInsert(['id' => $id], $kept + ['revision' => $revision]);
        }
        foreach (array_keys($rebuilt) as $id) {
            $this->saveWhole($score->parts[$id] ?? $score->gone[$id], ! isset($score->parts[$id]), $revision);
        }
        foreach (array_diff_key($change->parts, $rebuilt) as $id => $changed) {
            $this->savePart($score->parts[$id] ?? $score->gone[$id], $changed, ! isset($score->parts[$id]), $revision);
        }
        $this->saveHeads();
        foreach (array_keys($set) as $id) {
            Transaction::update('parts', $id, ['settings' => self::settings($score->parts[$id] ?? $score->gone[$id]), 'revision' => $revision]);
        }
    }

    /**
     * The columns of a part as they are kept, whole.
     *
     * @return array<string, mixed>
     */
    public static function row(Part $part): array
    {
        return self::head($part->head) + self::notes($part) + self::points($part) + ['settings' => self::settings($part), 'last_end' => $part->lastEnd()];
    }

    /** Writes a part with all that is in it. A track that was made and taken away in the same request is kept for it, out of sight. */
    private function saveWhole(Part $part, bool $gone, int $revision): void
    {
        DB::table('tracks')->insertOrIgnore(['id' => $part->head->track, 'song_id' => $this->song->id, 'name' => '', 'position' => 0, 'kept' => '[]', 'end' => 0, 'gone' => true, 'revision' => $revision]);
        DB::table('parts')->updateOrInsert(['id' => $part->id], ['song_id' => $this->song->id, 'gone' => $gone, 'revision' => $revision] + self::row($part));
        $this->lastEnds[$part->id] = $part->lastEnd();
    }

    private function savePart(Part $part, PartChange $changed, bool $gone, int $revision): void
    {
        $row = ['revision' => $revision];
        $isNew = $changed->head !== null && $changed->head->before === null && DB::table('parts')->where('id', $part->id)->doesntExist();
        if ($isNew) {
            DB::table('parts')->insert(['id' => $part->id, 'song_id' => $this->song->id, 'gone' => $gone] + $row + self::row($part));
            $this->lastEnds[$part->id] = $part->lastEnd();

            return;
        }
        if ($changed->head !== null) {
            $row += ['gone' => $gone] + self::head($part->head);
        }
        if (! $changed->notes->isEmpty()) {
            $row += self::notes($part);
        }
        if (! $changed->points->isEmpty()) {
            $row += self::points($part);
        }
        $row['last_end'] = $this->lastEnds[$part->id] = $this->endAfter($part, $changed);
        if ($changed->head !== null && ! isset($row['notes']) && ! isset($row['points'])) {
            $this->heads[$part->id] = $row;

            return;
        }
        Transaction::update('parts', $part->id, $row);
    }

    /** Writes what changed of parts whose notes stay, all in one statement: there may be hundreds. */
    private function saveHeads(): void
    {
        foreach (array_chunk($this->heads, 500, true) as $rows) {
            $columns = array_keys($rows[array_key_first($rows)]);
            $sets = array_map(static fn (string $column, int $i): string => sprintf('%s = v.column%d', $column, $i + 2), $columns, array_keys($columns));
            $values = implode(', ', array_fill(0, count($rows), '('.implode(', ', array_fill(0, count($columns) + 1, '?')).')'));
            $bindings = [];
            foreach ($rows as $id => $row) {
                array_push($bindings, $id, ...array_values($row));
            }
            Transaction::connection()->update(sprintf('update parts set %s from (values %s) as v where parts.id = v.column1', implode(', ', $sets), $values), $bindings);
        }
        $this->heads = [];
    }

    /** Where the last note of a part ends after a change: not all of them are looked at where that can be seen from those it touched. */
    private function endAfter(Part $part, PartChange $changed): int
    {
        if ($changed->head !== null && $changed->head->before === null) {
            return $part->lastEnd();
        }
        if ($changed->leaves('start', 'length')) {
            return $this->lastEnds[$part->id] ?? $part->lastEnd();
        } elseif (count($changed->notes->touched()) > Rows::MANY) {
            return $part->lastEnd();
        }
        $shift = $changed->head?->shift() ?? 0;
        $end = $this->lastEnds[$part->id] ?? 0;
        $end += $end === 0 ? 0 : $shift;
        foreach ($changed->notes->before() as $note) {
            if ($note->end() + $shift >= $end) {
                return $part->lastEnd();
            }
        }
        foreach ($changed->notes->after() as $note) {
            $end = max($end, $note->end());
        }

        return $end;
    }

    private function part(stdClass $row): Part
    {
        $id = self::int($row->id);
        $this->lastEnds[$id] = self::int($row->last_end);
        $origin = self::int($row->origin);
        $this->ids[] = $id;
        $read = fn (string $column): \Closure => fn (): string => $this->document($id, $column);

        return new Part($id, new PartHead(self::int($row->track_id), self::text($row->name), $origin, self::int($row->window_from), self::int($row->window_to), (bool) $row->muted,
            $row->plays === null ? null : PlaysAs::fromArray(self::numbers($row->plays)), (bool) $row->lets, $row->given === null ? null : self::window($row->given)),
            Rows::read(Table::notes(), $read('notes'), $origin), Rows::read(Table::points(), $read('points'), $origin),
            self::text($row->settings), self::int($row->next_note), self::int($row->next_point));
    }

    /**
     * The document of a part. Who reads a few reads many: then those of the parts after it come along, twice as many each
     * time.
     */
    private function document(int $id, string $column): string
    {
        if (! isset($this->ahead[$column][$id])) {
            $reads = $this->reads[$column] = 1 + ($this->reads[$column] ?? 0);
            $wanted = [$id];
            if ($reads > 2) {
                $at = (int) array_search($id, $this->ids, true);
                $wanted = array_slice($this->ids, $at, min(self::TOGETHER, 2 ** $reads));
            }
            /** @var list<stdClass> $rows */
            $rows = Transaction::connection()->select("select id, $column as bytes from parts where id in (".implode(', ', $wanted).')');
            foreach ($rows as $row) {
                $this->ahead[$column][self::int($row->id)] = self::text($row->bytes);
            }
        }
        $bytes = $this->ahead[$column][$id] ?? '';
        unset($this->ahead[$column][$id]);

        return $bytes;
    }

    /** @return array<string, mixed> */
    private static function head(PartHead $head): array
    {
        return ['track_id' => $head->track, 'name' => $head->name, 'origin' => $head->origin, 'window_from' => $head->from, 'window_to' => $head->to, 'muted' => $head->muted,
            'plays' => $head->plays->isPlain() ? null : json_encode($head->plays->toArray(), JSON_THROW_ON_ERROR), 'lets' => $head->releasesAtEnd,
            'given' => $head->given === null ? null : json_encode($head->given, JSON_THROW_ON_ERROR)];
    }

    /** @return array<string, mixed> */
    private static function notes(Part $part): array
    {
        return ['notes' => $part->notes->bytes($part->head->origin), 'next_note' => $part->nextNote];
    }

    /** @return array<string, mixed> */
    private static function points(Part $part): array
    {
        return ['points' => $part->points->bytes($part->head->origin), 'next_point' => $part->nextPoint];
    }

    private static function settings(Part $part): string
    {
        return json_encode($part->settings()->toArray(), JSON_THROW_ON_ERROR);
    }

    /** @return array{int, int, int, int} */
    private static function numbers(mixed $json): array
    {
        /** @var array{int, int, int, int} */
        return json_decode(self::text($json), true, 2, JSON_THROW_ON_ERROR);
    }

    /** @return array{int, int} */
    private static function window(mixed $json): array
    {
        /** @var array{int, int} */
        return json_decode(self::text($json), true, 2, JSON_THROW_ON_ERROR);
    }

    private static function int(mixed $value): int
    {
        return is_numeric($value) ? (int) $value : 0;
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }
}

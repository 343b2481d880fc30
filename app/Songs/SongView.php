<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Song;
use App\Models\Track;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\RowsChange;
use Jactonic\Core\Harmony\PitchSpelling;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\BendRange;
use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\RowSet;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Sounding\Performance;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Time\Timeline;

/** A song as the interface gets it: everything that is drawn and played, with all times worked out. */
final class SongView
{
    /** Bars shown past the last note, so that there is room to write on. */
    private const ROOM = 4;

    /** The first channel of notes that have one of their own. */
    private const OWN = 16;

    public readonly Score $score;

    private readonly ScoreStore $store;

    public function __construct(private readonly Song $song)
    {
        $this->store = new ScoreStore($song);
        $this->score = $this->store->open();
    }

    /**
     * @param  bool  $brief  whether notes and points come as columns, those left out that are nought throughout
     * @return array<string, mixed>
     */
    public function whole(bool $brief = false): array
    {
        $end = self::end($this->store->lastEnd($this->score), $this->score->time);
        $tables = new LineTables($this->score->time);

        return self::head($this->song) + [
            'ppq' => $this->score->time->ppq,
            'end' => $end,
            'early' => $this->score->time->early(),
            'tracks' => array_map(fn (array $track): array => $track + [
                'parts' => array_values(array_map(fn (Part $p): array => ['lines' => $tables->of($p)] + ($brief ? self::columns($p) : []) + self::part($p, $this->score, ! $brief), $this->score->partsOf($track['id']))),
            ], self::tracks($this->song, $this->score)),
            'tables' => $tables->all(),
        ] + self::scale($this->score) + self::maps($this->score->time);
    }

    /**
     * The song's scale, and how its twelve tones are spelled.
     *
     * @return array<string, mixed>
     */
    public static function scale(Score $score): array
    {
        return ['scale' => $score->scale === null ? null : ['name' => $score->scale->name, 'classes' => $score->scale->classes()], 'tones' => PitchSpelling::names($score->sharps())];
    }

    /** @return array<string, mixed> */
    public static function head(Song $song): array
    {
        return [
            'id' => $song->id, 'name' => $song->name, 'revision' => $song->revision,
            'canUndo' => $song->head_id !== null, 'canRedo' => self::nextOf($song) !== null,
        ];
    }

    /**
     * What changed after a revision.
     *
     * @return array<string, mixed>
     */
    public function since(int $revision): array
    {
        $end = self::end($this->store->lastEnd($this->score), $this->score->time);
        $parts = [];
        foreach (DB::table('parts')->where('song_id', $this->song->id)->where('revision', '>', $revision)->orderBy('id')->pluck('id') as $id) {
            $id = is_numeric($id) ? (int) $id : 0;
            $parts[$id] = isset($this->score->parts[$id]) ? ['part' => self::part($this->score->parts[$id], $this->score)] : ['gone' => true];
        }
        $tracks = DB::table('tracks')->where('song_id', $this->song->id)->where('revision', '>', $revision)->exists();

        return self::head($this->song) + ['parts' => (object) $parts, 'end' => $end] + self::scale($this->score)
            + ($tracks || $parts !== [] ? ['tracks' => self::tracks($this->song, $this->score)] : [])
            + ($this->song->time_revision > $revision ? ['time' => self::time($this->score)] : []);
    }

    /**
     * The song's tempos, meters and markers, and the lines of every part, which follow them: each table once.
     *
     * @return array<string, mixed>
     */
    public static function time(Score $score): array
    {
        $tables = new LineTables($score->time);
        $lines = array_map($tables->of(...), $score->parts);

        // What is delayed by milliseconds is heard at other ticks now.
        $late = array_filter($score->parts, static fn (Part $p): bool => $p->head->plays->delay !== 0 || Performance::is($p, $score));

        return self::maps($score->time) + ['lines' => (object) $lines, 'tables' => $tables->all(), 'sounds' => (object) array_map(static fn (Part $p): array => self::sounds($p, $score), $late)];
    }

    /**
     * Tempos, meters and markers, and the lines of a grid as it is at first, for a song that has no part.
     *
     * @return array<string, mixed>
     */
    private static function maps(Timeline $time): array
    {
        $fresh = PartSettings::fresh();

        return ['plain' => $time->lines($fresh->grid, $fresh->swing)->table(), 'tempos' => $time->tempos->toTable(), 'meters' => $time->meters->toArray(), 'markers' => $time->markers()];
    }

    /** @return array<string, mixed> */
    public static function part(Part $part, Score $score, bool $contents = true): array
    {
        return self::partHead($part) + self::settings($part, $score->time) + self::sounds($part, $score) + self::bendRange($part, $score) + ($contents ? [
            'notes' => self::allNotes($part),
            'points' => self::points($part, $part->points->all()),
        ] : []);
    }

    /** @return array{bendRange: int} cents */
    public static function bendRange(Part $part, Score $score): array
    {
        return ['bendRange' => BendRange::ofPart($part, $score->channelOf($part))];
    }

    /**
     * What is in a part, as columns: those that are the default throughout are left out; `until` too where each note
     * sounds to its end, and `heard` where each point is. Ids that follow one another stand as a pair.
     *
     * @return array{notes: array<string, list<mixed>>, points: array<string, list<mixed>>}
     */
    private static function columns(Part $part): array
    {
        $of = static fn (Rows $rows, Table $table): array => ['id' => Ids::runs($rows->ids())] + array_map(
            static fn (string $name): array => $table->plain($name, $rows->column($name)),
            array_filter(array_combine($table->shown, $table->shown), static fn (string $name): bool => $table->columns[$name]->default === null || $rows->hasOther($name)),
        );
        /** @var array{start: list<int>, length: list<int>} $notes */
        $notes = $of($part->notes, Table::notes());
        $untils = Sounding::untils($part);

        return ['notes' => $notes + ($untils === self::ends($notes['start'], $notes['length']) ? [] : ['until' => $untils]), 'points' => $of($part->points, Table::points()) + self::heard($part, $part->points->integers('tick'))];
    }

    /** @return array<string, mixed> */
    public static function partHead(Part $part): array
    {
        return ['id' => $part->id, 'track' => $part->head->track, 'name' => $part->name, 'from' => $part->head->from, 'to' => $part->head->to === PartHead::OPEN ? null : $part->head->to, 'muted' => $part->head->muted]
            + ($part->head->plays->isPlain() ? ['plays' => null] : ['plays' => ['words' => $part->head->plays->words(), 'transpose' => $part->head->plays->transpose, 'velocity' => $part->head->plays->velocity, 'delay' => $part->head->plays->delay, 'until' => $part->head->plays->until]]);
    }

    /**
     * A part's settings, and what follows from them: the lines of its grid, and how long its pen writes: ticks, or bars.
     *
     * @return array<string, mixed>
     */
    public static function settings(Part $part, Timeline $time): array
    {
        $settings = $part->settings();
        $grid = $settings->penLength ?? $settings->grid;
        $touched = $settings->lengthFrom === 'touched' && $settings->touchedLength !== null;

        return ['settings' => ['choices' => (object) $settings->choices] + $settings->toArray(), 'scale' => $settings->scale?->classes(), 'pen' => $touched || ! $grid->isBars() ? ['ticks' => $settings->penTicks($time, 0)] : ['bars' => $grid->bars], 'lines' => LineTables::table($part, $time)];
    }

    /**
     * Notes as rows: the columns that are shown, and the tick up to which each sounds (0 where it does not).
     *
     * @param  array<int, Note>  $notes
     * @return list<list<mixed>>
     */
    public static function notes(Part $part, array $notes): array
    {
        return Table::notes()->rows($notes, static fn (Note $n): int => Sounding::until($n, $part->head));
    }

    /**
     * What is otherwise in notes that stay: their ids, those that follow one another as a pair, and the columns, a number
     * for one that has that much more in each; `until` only where one of them does not sound to its end.
     *
     * @param  RowsChange<Note>  $notes
     * @return array<string, list<mixed>|int>
     */
    public static function changedNotes(Part $part, RowsChange $notes): array
    {
        $changed = self::changed(Table::notes(), $notes);
        if ($notes->leaves(...Sounding::HANGS_ON)) {
            return $changed;
        }
        [[, $starts], [, $lengths], [, $muted]] = [$notes->integers('start'), $notes->integers('length'), $notes->column('muted')];
        if (Sounding::areWhole($starts, $lengths, $muted, $part->head)) {
            return $changed;
        }
        $untils = Sounding::untilsOf($starts, $lengths, $muted, $part->head);

        return $changed + ($untils === self::ends($starts, $lengths) ? [] : ['until' => $untils]);
    }

    /**
     * Likewise of points; `heard` only where one of them is not.
     *
     * @param  RowsChange<Point>  $points
     * @return array<string, list<mixed>|int>
     */
    public static function changedPoints(Part $part, RowsChange $points): array
    {
        return self::changed(Table::points(), $points) + ($points->leaves('tick') ? [] : self::heard($part, $points->integers('tick')[1]));
    }

    /**
     * @param  list<int>  $starts
     * @param  list<int>  $lengths
     * @return list<int>
     */
    private static function ends(array $starts, array $lengths): array
    {
        return array_map(static fn (int $start, int $length): int => $start + $length, $starts, $lengths);
    }

    /**
     * Whether points at some ticks are heard, where any is not.
     *
     * @param  list<int>  $ticks
     * @return array{heard?: list<int>}
     */
    private static function heard(Part $part, array $ticks): array
    {
        $heard = array_map(static fn (int $tick): int => (int) Sounding::isHeardAt($tick, $part->head), $ticks);

        return in_array(0, $heard, true) ? ['heard' => $heard] : [];
    }

    /**
     * @param  Table<covariant Note|Point>  $table
     * @param  RowsChange<covariant Note|Point>  $sides
     * @return array<string, list<mixed>|int>
     */
    private static function changed(Table $table, RowsChange $sides): array
    {
        $columns = ['id' => Ids::runs($sides->staying())];
        foreach (array_intersect($table->shown, $table->named($sides->changedColumns)) as $name) {
            $columns[$name] = $sides->by($name) ?? $table->plain($name, $sides->column($name)[1]);
        }

        return $columns;
    }

    /**
     * All notes of a part as such rows, out of its columns.
     *
     * @return list<list<mixed>>
     */
    private static function allNotes(Part $part): array
    {
        if ($part->notes->isEmpty()) {
            return [];
        }
        $table = Table::notes();
        $columns = array_map(static fn (string $name): array => $table->plain($name, $part->notes->column($name)), $table->shown);

        return array_map(null, ...$columns, ...[Sounding::untils($part)]);
    }

    /**
     * Points as rows, and whether each is heard.
     *
     * @param  array<int, Point>  $points
     * @return list<list<mixed>>
     */
    public static function points(Part $part, array $points): array
    {
        return Table::points()->rows($points, static fn (Point $p): int => (int) Sounding::isHeard($p, $part->head));
    }

    /**
     * What is heard of a part that its rows do not say: all of it, where it plays as something else, has articulations or
     * notes with curves of their own; what lets go of pedals and bends at its end, where it plays what is written. A note
     * with curves of its own has a channel from 16 on, which is its own, and so have the points that are told there.
     *
     * @return array{sounds: array{notes: list<array{int, int, int, int, int, int}>, points: list<array{0: int, 1: int, 2: int, 3: int, 4?: int}>}|null, letGo: list<array{int, int, int, int}>} notes as id, start, end, pitch, velocity, channel; points as tick, status, data and the channel that is their own
     */
    public static function sounds(Part $part, Score $score): array
    {
        if ($part->head->plays->isPlain() && ! Performance::is($part, $score)) {
            return ['sounds' => null, 'letGo' => self::messages(Sounding::letGo($part))];
        }
        $heard = Performance::of($part, $score);
        $row = static fn (Note $n, int $channel): array => [$n->id, $n->start, $n->end(), $n->pitch, $n->velocity, $channel];
        $notes = array_map(static fn (Note $n): array => $row($n, $n->channel), $heard->notes);
        $points = self::messages([...$heard->points, ...$heard->sent]);
        [$channels] = Performance::spread($heard->voices, range(self::OWN, self::OWN + 63));
        foreach ($heard->voices as $i => $voice) {
            $channel = $channels[$i] ?? self::OWN;
            $notes[] = $row($voice->note, $channel);
            foreach ([...$voice->before, ...$voice->points, ...$voice->after] as $p) {
                $points[] = [$p->tick, $p->status & 0xF0, $p->data1, $p->data2, $channel];
            }
        }

        return ['sounds' => ['notes' => $notes, 'points' => $points], 'letGo' => []];
    }

    /**
     * @param  list<Point>  $points
     * @return list<array{int, int, int, int}> tick, status and data
     */
    private static function messages(array $points): array
    {
        return array_map(static fn (Point $p): array => [$p->tick, $p->status, $p->data1, $p->data2], $points);
    }

    /** The end of what is drawn. */
    public static function end(int $last, Timeline $time): int
    {
        return $time->meters->barNumber($time->meters->barAt(max(0, $last - 1))->index + self::ROOM)->end();
    }

    /** The step that redo takes: of those that begin where the song stands the one made or visited last. */
    public static function nextOf(Song $song): ?int
    {
        if ($song->head_id === null) {
            return $song->first_id;
        }
        $next = Transaction::connection()->scalar('select coalesce(next_id, (select max(id) from steps as child where child.parent_id = steps.id)) from steps where id = ?', [$song->head_id]);

        return is_int($next) ? $next : null;
    }

    /** @return list<array{id: int, name: string, conductor: bool, muted: bool, soloed: bool, instrument: string, articulations: array<string, mixed>|null, sound: array{program: int, drums: bool}|null, volume: int, pan: int, rows: array{names: object, order: list<int>}}> all tracks in their order, those that are kept out of sight last */
    public static function tracks(Song $song, Score $score): array
    {
        $tracks = [];
        $heard = Track::query()->where('song_id', $song->id)->get(['id', 'muted', 'soloed', 'rows'])->keyBy('id');
        $shown = $score->playedTracks();
        foreach ([...$shown, ...array_diff(array_keys($score->tracks), $shown)] as $id) {
            $track = $score->track($id);
            $parts = $score->partsOf($track->id);
            $first = reset($parts);
            $sound = Sound::of($score, $track->id);
            $tracks[] = ['id' => $track->id, 'name' => $track->name, 'conductor' => $score->isConductor($track), 'muted' => $heard[$track->id]->muted ?? false, 'soloed' => $heard[$track->id]->soloed ?? false,
                'rows' => RowSet::read($heard[$track->id]->rows ?? [])->toArray(), 'instrument' => $sound?->name() ?? '', 'articulations' => ArticulationSet::of($track)?->toArray(), 'sound' => $sound === null ? null : ['program' => $sound->program->data1 ?? 0, 'drums' => $sound->isDrums()],
                ...array_map(static fn (array $level): int => $parts === [] ? $level[1] : Sound::controller($parts, $level[0])[1]->data2 ?? $level[1], Sound::LEVELS)];
        }

        return $tracks;
    }
}

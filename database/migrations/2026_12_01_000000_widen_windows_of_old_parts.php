<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Time\Timeline;

/**
 * Parts of before there were windows got one that held what was in them on that day. Their histories hold more: what undo
 * brings back lay outside, and was not heard or saved. Such a window now reaches as far as the part did in any of the
 * states before that day. Nothing is loaded but the core, so that it goes on to work whatever becomes of the application.
 */
return new class extends Migration
{
    public function up(): void
    {
        // Only steps of before windows do not say what was selected.
        $steps = DB::table('steps')->whereNull('chosen');
        /** @var object{id: int, ppq: int, tempos: string, meters: string, markers: string, head_id: int|null} $song */
        foreach (DB::table('songs')->whereIn('id', (clone $steps)->distinct()->pluck('song_id'))->get() as $song) {
            /** @var array<int, int|null> $parents */
            $parents = (clone $steps)->where('song_id', $song->id)->pluck('parent_id', 'id')->all();
            $this->song($song, $parents);
        }
    }

    /**
     * @param  object{id: int, ppq: int, tempos: string, meters: string, markers: string, head_id: int|null}  $song
     * @param  array<int, int|null>  $old  parents of the steps of before windows
     */
    private function song(object $song, array $old): void
    {
        $score = $this->score($song);
        for ($at = $song->head_id; $at !== null; $at = $step->parent_id) {
            /** @var object{parent_id: int|null, change: string} $step */
            $step = DB::table('steps')->where('id', $at)->first(['parent_id', 'change']);
            $score = ChangeCodec::decode($step->change, $score, true)->inverse()->applyTo($score);
        }
        $windows = array_map(static fn (Part $p): int => $p->head->to, $score->parts);
        $wide = $this->widened($windows, $score);
        $children = [];
        foreach ($old as $id => $parent) {
            $children[$parent ?? 0][] = $id;
        }
        for ($open = [[0, $score]]; $open !== [];) {
            [$at, $score] = array_pop($open);
            foreach ($children[$at] ?? [] as $id) {
                $change = DB::table('steps')->where('id', $id)->value('change');
                $after = ChangeCodec::decode(is_string($change) ? $change : '{}', $score, false)->applyTo($score);
                $wide = $this->widened($wide, $after);
                $open[] = [$id, $after];
            }
        }
        foreach ($wide as $part => $to) {
            if ($to > $windows[$part]) {
                DB::table('parts')->where('id', $part)->where('window_to', $windows[$part])->update(['window_to' => $to]);
                $this->rewrite($song->id, $part, $windows[$part], $to);
            }
        }
        DB::table('kept_states')->where('song_id', $song->id)->delete();
    }

    /**
     * @param  array<int, int>  $windows  ends by part
     * @return array<int, int> no nearer than the bar line after what is in each
     */
    private function widened(array $windows, Score $score): array
    {
        foreach ($windows as $id => $to) {
            $part = $score->parts[$id] ?? null;
            if ($part !== null) {
                $last = max([0, $part->lastEnd() - 1, ...$part->points->integers('tick')]);
                $windows[$id] = max($to, $score->time->meters->barAt($last)->end());
            }
        }

        return $windows;
    }

    /** Heads in steps made since have the window as it was set on that day: they get the wider one. */
    private function rewrite(int $song, int $part, int $was, int $is): void
    {
        /** @var object{id: int, change: string} $step */
        foreach (DB::table('steps')->where('song_id', $song)->whereNotNull('chosen')->where('change', 'like', '%"head"%')->get(['id', 'change']) as $step) {
            /** @var array<array-key, array{head?: array{array<int, mixed>|null, array<int, mixed>|null}}> $change */
            $change = json_decode($step->change, true, 64, JSON_THROW_ON_ERROR);
            foreach ([0, 1] as $side) {
                if (($change[$part]['head'][$side][4] ?? null) === $was) {
                    $change[$part]['head'][$side][4] = $is;
                    DB::table('steps')->where('id', $step->id)->update(['change' => json_encode($change, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
                }
            }
        }
    }

    /** @param  object{id: int, ppq: int, tempos: string, meters: string, markers: string, head_id: int|null}  $song */
    private function score(object $song): Score
    {
        $parts = $gone = [];
        /** @var object{id: int, track_id: int, name: string, origin: int, window_from: int, window_to: int, muted: int, gone: int, plays: string|null, lets: int, settings: string, next_note: int, next_point: int, notes: string, points: string} $row */
        foreach (DB::table('parts')->where('song_id', $song->id)->get() as $row) {
            /** @var array{int, int, int, int}|null $plays */
            $plays = $row->plays === null ? null : json_decode($row->plays, true, 2, JSON_THROW_ON_ERROR);
            $head = new PartHead($row->track_id, $row->name, $row->origin, $row->window_from, $row->window_to, (bool) $row->muted, $plays === null ? null : PlaysAs::fromArray($plays), (bool) $row->lets);
            $part = new Part($row->id, $head, Rows::read(Table::notes(), static fn (): string => $row->notes, $head->origin), Rows::read(Table::points(), static fn (): string => $row->points, $head->origin), $row->settings, $row->next_note, $row->next_point);
            if ($row->gone === 1) {
                $gone[$row->id] = $part;
            } else {
                $parts[$row->id] = $part;
            }
        }
        /** @var list<array{int, int, int, int}> $tempos */
        $tempos = json_decode($song->tempos, true, 8, JSON_THROW_ON_ERROR);
        /** @var list<array{int, int, int, int, int, int, int}> $meters */
        $meters = json_decode($song->meters, true, 8, JSON_THROW_ON_ERROR);
        /** @var list<array{int, string, int, int}> $markers */
        $markers = json_decode($song->markers, true, 8, JSON_THROW_ON_ERROR);

        return new Score(Timeline::of($song->ppq, $tempos, $meters, $markers), $parts, gone: $gone);
    }

    public function down(): void
    {
        // A window that is wide enough stays.
    }
};

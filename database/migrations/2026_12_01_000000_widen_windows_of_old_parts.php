<?php

declare(strict_types=1);

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Edit\ChangeCodec;
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
        // Only steps of before windows do not say what was chosen.
        $steps = DB::table('steps')->whereNull('chosen');
        foreach ((clone $steps)->distinct()->pluck('song_id') as $song) {
            /** @var array<int, int|null> $parents */
            $parents = (clone $steps)->where('song_id', $song)->pluck('parent_id', 'id')->all();
            $row = DB::table('songs')->where('id', $song)->first();
            if ($row !== null) {
                $this->song($row, $parents);
            }
        }
    }

    /**
     * @param  array<int, int|null>  $old  parents of the steps of before windows
     */
    private function song(stdClass $song, array $old): void
    {
        $score = $this->score($song);
        for ($at = $song->head_id; $at !== null; $at = $step->parent_id) {
            $step = DB::table('steps')->where('id', $at)->first(['parent_id', 'change']) ?? throw new LogicException("Step $at is not there.");
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
                $after = ChangeCodec::decode((string) DB::table('steps')->where('id', $id)->value('change'), $score, false)->applyTo($score);
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
        foreach (DB::table('steps')->where('song_id', $song)->whereNotNull('chosen')->where('change', 'like', '%"head"%')->get(['id', 'change']) as $step) {
            $change = json_decode($step->change, true, 64, JSON_THROW_ON_ERROR);
            foreach ([0, 1] as $side) {
                if (($change[$part]['head'][$side][4] ?? null) === $was) {
                    $change[$part]['head'][$side][4] = $is;
                    DB::table('steps')->where('id', $step->id)->update(['change' => json_encode($change, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
                }
            }
        }
    }

    private function score(stdClass $song): Score
    {
        $parts = $gone = [];
        foreach (DB::table('parts')->where('song_id', $song->id)->get() as $row) {
            $head = new PartHead($row->track_id, $row->name, $row->origin, $row->window_from, $row->window_to, (bool) $row->muted, $row->plays === null ? null : PlaysAs::fromArray(json_decode($row->plays, true, 2, JSON_THROW_ON_ERROR)), (bool) $row->lets);
            $part = new Part($row->id, $head, Rows::read(Table::notes(), static fn (): string => $row->notes, $head->origin), Rows::read(Table::points(), static fn (): string => $row->points, $head->origin), $row->settings, $row->next_note, $row->next_point);
            if ($row->gone) {
                $gone[$row->id] = $part;
            } else {
                $parts[$row->id] = $part;
            }
        }
        $rows = static fn (string $json): array => json_decode($json, true, 8, JSON_THROW_ON_ERROR);

        return new Score(Timeline::of($song->ppq, $rows($song->tempos), $rows($song->meters), $rows($song->markers)), $parts, gone: $gone);
    }

    public function down(): void
    {
        // A window that is wide enough stays.
    }
};

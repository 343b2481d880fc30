<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Step;
use App\Songs\SongView;
use App\Songs\Transaction;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Change\PartChange;
use Jactonic\Core\Change\ScoreDiff;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\TargetReader;

/** The steps of a song's history: a tree, so nothing is lost by going back and doing something else. */
final class Tree
{
    public function __construct(private readonly Session $session)
    {
    }

    public function find(int $id): Step
    {
        return Step::query()->where('song_id', $this->session->song->id)->find($id) ?? throw Refusal::parameter('step', $id, 'a step of this song');
    }

    public function head(): ?Step
    {
        return $this->session->song->head_id === null ? null : $this->find($this->session->song->head_id);
    }

    /**
     * A step more, from where the song stands.
     *
     * @param  Selection|null  $before  what was selected before it
     * @param  Context|null  $asked  where it was asked for
     */
    public function add(mixed $command, string $said, Outcome $outcome, ?Selection $before, ?Context $asked = null): void
    {
        $carets = [null, null];
        if ($asked?->caret !== null) {
            [$tick, $pitch] = $this->session->batch->at ?? [$asked->caret, $asked->row];
            $carets = [['tick' => $asked->caret, 'pitch' => $asked->row, 'track' => $asked->track], ['tick' => $outcome->caret ?? $tick, 'pitch' => $pitch, 'track' => $asked->track]];
        }
        $kept = [$before?->toArray(true), $outcome->selection->toArray(true), ...$carets, $outcome->tried];
        $row = [
            'song_id' => $this->session->song->id,
            'parent_id' => $this->session->song->head_id,
            'command' => json_encode($command, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'said' => $said,
            'change' => ChangeCodec::encode($outcome->change),
            'chosen' => json_encode($kept, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
            'created_at' => gmdate('Y-m-d H:i:s'),
        ];
        $marks = implode(', ', array_fill(0, count($row), '?'));
        /** @var object{id: int, depth: int, other: int|null} $added */
        $added = Transaction::connection()->selectOne('insert into steps ('.implode(', ', array_keys($row)).", depth) values ($marks, 1 + coalesce((select depth from steps where id = ?), 0))"
            .' returning id, depth, (select next_id from steps as parent where parent.id = steps.parent_id) as other', [...array_values($row), $this->session->song->head_id]);
        $id = $added->id;
        if ($added->depth % KeptStates::$every === 0) {
            KeptStates::keep($this->session->song->id, $id, $this->session->whole());
        }
        if ($this->session->song->head_id === null) {
            $this->session->song->first_id = $id;
        } elseif ($added->other !== null) {
            Transaction::update('steps', $this->session->song->head_id, ['next_id' => null]);
        }
        $this->session->song->head_id = $id;
        $this->session->isNewest = true;
    }

    /** Walks over one step, back or on; what was selected then is selected again. */
    public function take(Step $step, bool $undo): void
    {
        $this->session->reach(ChangeCodec::parts($step->change));
        $change = ChangeCodec::decode($step->change, $this->session->batch->score, $undo);
        $change = $undo ? $change->inverse() : $change;
        $this->session->take($change, Selection::none());
        $this->session->batch->chosen = $this->chosen($step, $undo) ?? $this->touched($change);
        $this->putCaret($step, $undo);
        if ($undo) {
            $this->session->song->head_id = $step->parent_id;
        } else {
            $this->markNext($step->id);
            $this->session->song->head_id = $step->id;
        }
    }

    /** The step that redo takes; null where there is none. */
    public function next(): ?Step
    {
        $next = SongView::nextOf($this->session->song);

        return $next === null ? null : $this->find($next);
    }

    /**
     * Goes toward any step of the tree, or to the start (null): over the steps between or from the nearest state that is
     * kept, whichever is less; as far as it gets in some time, so that nobody waits for the lock.
     *
     * @param  float  $seconds  after which no further step is taken; one is taken in any case
     * @return array{int, int} how many steps lay between, and how many are left
     */
    public function goTo(?int $target, float $seconds): array
    {
        $song = $this->session->song;
        $parents = self::parents($song->id);
        if ($target !== null && ! array_key_exists($target, $parents)) {
            throw Refusal::parameter('step', $target, 'a step of this song');
        }
        $way = self::wayTo($target, $parents);
        $places = array_flip($way);
        $between = self::distance($song->head_id, $parents, $places, count($way));
        $this->jump($target, $parents, $way, $places, $between);
        $left = self::distance($song->head_id, $parents, $places, count($way));
        $until = microtime(true) + $seconds;
        for ($taken = false; $left > 0 && (! $taken || microtime(true) < $until); $taken = true, $left--) {
            $undo = $song->head_id !== null && ! isset($places[$song->head_id]);
            $step = $this->find($undo ? (int) $song->head_id : $way[$song->head_id === null ? 0 : $places[$song->head_id] + 1]);
            $this->take($step, $undo);
            if (! $undo && $step->depth % KeptStates::$every === 0 && ! KeptStates::has($step->id)) {
                // A history of before states were kept, or a step that was made longer.
                KeptStates::keep($song->id, $step->id, $this->session->whole());
            }
        }

        return [$between - $left, $left];
    }

    /**
     * Goes to the state that is nearest to a step, where one is nearer than the song stands.
     *
     * @param  array<int, int|null>  $parents
     * @param  list<int>  $way  to the step
     * @param  array<int, int>  $places  of the steps on the way
     */
    private function jump(?int $target, array $parents, array $way, array $places, int $least): void
    {
        $depths = KeptStates::depths($this->session->song->id);
        uasort($depths, static fn (int $a, int $b): int => abs($a - count($way)) <=> abs($b - count($way)));
        $nearest = null;
        foreach (array_keys($depths) as $step) {
            $distance = self::distance($step, $parents, $places, count($way), $least);
            if ($distance < $least) {
                [$nearest, $least] = [$step, $distance];
            }
        }
        if ($nearest === null) {
            return;
        }
        $this->session->batch->score = $this->session->whole();
        $kept = KeptStates::after($nearest, $this->session->batch->score->time);
        $change = ScoreDiff::scores($this->session->batch->score, $kept);
        $this->session->take($change, Selection::none());
        // The steps before and after write ticks of the song, also of what was out of sight: it lies where it lay then.
        foreach ($kept->gone as $id => $part) {
            $now = $this->session->batch->score->gone[$id] ?? null;
            if ($now !== null && $now->head != $part->head) {
                $this->session->batch->hide($now->withHead($part->head));
            }
        }
        $step = $this->find($nearest);
        $this->session->batch->chosen = $this->chosen($step, false) ?? Selection::none();
        $this->putCaret($step, false);
        $this->markWay(self::wayTo($nearest, $parents), $parents);
        $this->session->song->head_id = $nearest;
    }

    /**
     * How many steps lie between a step and the end of a way: back to it, then along it or back over it.
     *
     * @param  array<int, int|null>  $parents
     * @param  array<int, int>  $places  of the steps on the way
     * @param  int  $most  from where on it need not be known
     */
    private static function distance(?int $from, array $parents, array $places, int $length, int $most = PHP_INT_MAX): int
    {
        for ($back = 0; $from !== null && ! isset($places[$from]) && $back < $most; $back++) {
            $from = $parents[$from] ?? null;
        }

        return $back + ($from === null ? $length : $length - 1 - ($places[$from] ?? $length - 1));
    }

    /**
     * Redo goes this way from now on.
     *
     * @param  list<int>  $way  from the start
     * @param  array<int, int|null>  $parents
     */
    private function markWay(array $way, array $parents): void
    {
        $children = array_count_values(array_filter($parents, is_int(...)));
        $this->session->song->first_id = $way[0];
        foreach ($way as $i => $id) {
            if ($i > 0 && $children[$way[$i - 1]] > 1) {
                DB::table('steps')->where('id', $way[$i - 1])->update(['next_id' => $id]);
            }
        }
    }

    /**
     * The parent of each step of a song; null for those at the start.
     *
     * @return array<int, int|null>
     */
    public static function parents(int $song): array
    {
        $read = DB::connection()->getPdo()->prepare('select id, parent_id from steps where song_id = ?');
        $read->execute([$song]);

        /** @var array<int, int|null> $parents */
        $parents = $read->fetchAll(\PDO::FETCH_KEY_PAIR);

        return $parents;
    }

    /**
     * The steps from the start to one of them.
     *
     * @param  array<int, int|null>  $parents
     * @return list<int>
     */
    public static function wayTo(?int $target, array $parents): array
    {
        $way = [];
        for ($id = $target; $id !== null; $id = $parents[$id] ?? null) {
            $way[] = $id;
        }

        return array_reverse($way);
    }

    /** What was selected before a step, or after it; null where that is not known, or not there any more. */
    private function chosen(Step $step, bool $before): ?Selection
    {
        $kept = $step->chosen === null ? null : json_decode($step->chosen, true, 64, JSON_THROW_ON_ERROR);
        $on = is_array($kept) ? $kept[$before ? 0 : 1] ?? null : null;
        if ($on === null) {
            return null;
        }
        try {
            return TargetReader::read($on, $this->session->batch->score);
        } catch (Refusal) {
            return null;
        }
    }

    /** The caret is where it was before a step, or after it; where that is not known it stays. */
    private function putCaret(Step $step, bool $before): void
    {
        $kept = $step->chosen === null ? null : json_decode($step->chosen, true, 64, JSON_THROW_ON_ERROR);
        $caret = is_array($kept) ? $kept[$before ? 2 : 3] ?? null : null;
        if (is_array($caret) && is_int($caret['tick'] ?? null) && is_int($caret['pitch'] ?? null)) {
            $this->session->batch->at = [$caret['tick'], $caret['pitch']];
            $this->session->batch->atTrack = is_int($caret['track'] ?? null) ? $caret['track'] : null;
        }
    }

    /** The notes and points that a change puts in. */
    private function touched(Change $change): Selection
    {
        return new Selection(array_map(static fn (PartChange $p): array => $p->notes->touched(), array_intersect_key($change->parts, $this->session->batch->score->parts)));
    }

    /** Redo goes to this step from where the song stands. A row that says so already is not written: its change is long. */
    private function markNext(int $id): void
    {
        if ($this->session->song->head_id === null) {
            $this->session->song->first_id = $id;
        } elseif (SongView::nextOf($this->session->song) !== $id) {
            Transaction::update('steps', $this->session->song->head_id, ['next_id' => $id]);
        }
    }
}

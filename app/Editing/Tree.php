<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Step;
use App\Songs\SongView;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Edit\Change;
use Jactonic\Core\Edit\ChangeCodec;
use Jactonic\Core\Edit\PartChange;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\On;
use Jactonic\Core\Selection\Selection;

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
     * @param  Selection|null  $before  what was chosen before it
     */
    public function add(mixed $command, string $said, Change $change, ?Selection $before, Selection $after): void
    {
        $id = DB::table('steps')->insertGetId([
            'song_id' => $this->session->song->id,
            'parent_id' => $this->session->song->head_id,
            'command' => json_encode($command, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'said' => $said,
            'change' => ChangeCodec::encode($change),
            'chosen' => json_encode([$this->choice($before), $this->choice($after)], JSON_THROW_ON_ERROR),
            'created_at' => gmdate('Y-m-d H:i:s'),
        ]);
        $this->markNext($id);
        $this->session->song->head_id = $id;
    }

    /** Walks over one step, back or on; what was chosen then is chosen again. */
    public function take(Step $step, bool $undo): void
    {
        $this->session->reach(ChangeCodec::parts($step->change));
        $change = ChangeCodec::decode($step->change, $this->session->batch->score, $undo);
        $change = $undo ? $change->inverse() : $change;
        $this->session->take($change, Selection::none());
        $this->session->batch->chosen = $this->chosen($step, $undo) ?? $this->touched($change);
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
     * Goes toward any step of the tree, or to the start (null): back to where the two ways part, then on; as far as it
     * gets in some time, so that nobody waits for the lock.
     *
     * @param  float  $seconds  after which no further step is taken; one is taken in any case
     * @return array{int, int} how many steps that was, and how many are left
     */
    public function goTo(?int $target, float $seconds): array
    {
        $parents = self::parents($this->session->song->id);
        if ($target !== null && ! array_key_exists($target, $parents)) {
            throw Refusal::parameter('step', $target, 'a step of this song');
        }
        $way = self::wayTo($target, $parents);
        $places = array_flip($way);
        $until = microtime(true) + $seconds;
        $steps = $back = 0;
        $here = $this->session->song->head_id;
        for ($id = $here; $id !== null && ! isset($places[$id]); $id = $parents[$id]) {
            $back++;
        }
        $left = $back + ($id === null ? count($way) : count($way) - 1 - $places[$id]);
        for (; $left > 0 && ($steps === 0 || microtime(true) < $until); $steps++, $left--) {
            $head = $this->session->song->head_id;
            $undo = $head !== null && ! isset($places[$head]);
            $this->take($this->find($undo ? $head : $way[$head === null ? 0 : $places[$head] + 1]), $undo);
        }

        return [$steps, $left];
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

    /**
     * What is chosen as it is kept: all of a part is not told note by note.
     *
     * @return list<array<string, mixed>>|null
     */
    public function choice(?Selection $chosen): ?array
    {
        if ($chosen === null) {
            return null;
        }
        $items = [];
        foreach ($chosen->toArray() as $item) {
            $part = is_int($item['part'] ?? null) ? $this->session->batch->score->parts[$item['part']] ?? null : null;
            if ($part !== null && isset($item['notes']) && is_array($item['notes']) && count($item['notes']) > 1 && count($item['notes']) === count($part->notes)) {
                $item = ['part' => $part->id, 'pick' => ['all' => true]];
            }
            $items[] = $item;
        }

        return $items;
    }

    /** What was chosen before a step, or after it; null where that is not known, or not there any more. */
    private function chosen(Step $step, bool $before): ?Selection
    {
        $kept = $step->chosen === null ? null : json_decode($step->chosen, true, 64, JSON_THROW_ON_ERROR);
        $on = is_array($kept) ? $kept[$before ? 0 : 1] ?? null : null;
        if ($on === null) {
            return null;
        }
        try {
            return On::read($on, $this->session->batch->score);
        } catch (Refusal) {
            return null;
        }
    }

    /** The notes and points that a change puts in. */
    private function touched(Change $change): Selection
    {
        return new Selection(array_map(static fn (PartChange $p): array => array_keys($p->after), array_intersect_key($change->parts, $this->session->batch->score->parts)));
    }

    private function markNext(int $id): void
    {
        if ($this->session->song->head_id === null) {
            $this->session->song->first_id = $id;
        } else {
            DB::table('steps')->where('id', $this->session->song->head_id)->update(['next_id' => $id]);
        }
    }
}

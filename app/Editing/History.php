<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Part;
use App\Models\Recipe;
use App\Models\Song;
use App\Models\Step;
use App\Songs\Keeping;
use App\Songs\Library;
use App\Songs\SongView;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Change;
use Jactonic\Core\Edit\ChangeCodec;
use Jactonic\Core\Edit\Continued;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\PartChange;
use Jactonic\Core\Reading\Clip;
use Jactonic\Core\Reading\GridReading;
use Jactonic\Core\Reading\GrooveReading;
use Jactonic\Core\Reading\Landing;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Runner;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Document;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part as CorePart;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Caret;
use Jactonic\Core\Selection\On;
use Jactonic\Core\Selection\Pick;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Step as Distance;

/**
 * Runs commands on a song and keeps what they did: one transaction for the documents of the parts, the steps of the
 * history and the revision. The history is a tree; nothing is lost by going back and doing something else.
 */
final class History
{
    /** The most commands in one request. */
    private const MOST = 1000;

    /** The most times over that a command may be asked for. */
    private const MOST_TIMES = 999;

    /** How many keys of answered requests are kept for a song: more than can be waiting anywhere. */
    private const KEYS = 1000;

    /** Every how many revisions old keys are cleared away. */
    private const SWEPT = 64;

    private Score $score;

    /** The parts as they were found. */
    private Score $found;

    /** @var array<int, Part> */
    private array $parts = [];

    /** @var array<int, true> parts whose settings were set */
    private array $set = [];

    private Change $change;

    private ?Selection $selection = null;

    private ?Book $book = null;

    private function __construct(private readonly Song $song)
    {
        $this->score = $this->found = new Score($song->time(), []);
        $this->change = new Change;
    }

    /**
     * Runs a list of commands, each a step of its own unless they are to be one. Of separate commands, one that is
     * refused stops none of the others; of commands that are to be one, it stops all.
     *
     * @param  array<array-key, mixed>  $do
     * @return array<string, mixed> the answer to the interface
     *
     * @throws Stale|Refusal
     */
    public static function run(int $songId, mixed $base, array $do, bool $asOne, mixed $key = null): array
    {
        if (! array_is_list($do) || $do === [] || count($do) > self::MOST) {
            throw Refusal::parameter('do', $do, 'a list of 1 to '.self::MOST.' commands');
        }

        return self::locked($songId, $base, $key, static function (self $history) use ($do, $asOne): array {
            $said = $warnings = $refused = [];
            $joined = new Change;
            foreach ($do as $i => $command) {
                try {
                    $command = is_array($command) ? $command : throw Refusal::parameter('do', $command, 'an object with edit, on and params');
                    $outcome = $history->command($command);
                } catch (Refusal $refusal) {
                    if ($asOne || count($do) === 1) {
                        throw $refusal;
                    }
                    $refused[] = ['item' => $i, 'detail' => $refusal->getMessage()];

                    continue;
                }
                $said[] = $outcome->said;
                array_push($warnings, ...$outcome->warnings);
                $history->selection = $outcome->selection;
                if ($outcome->change->isEmpty()) {
                    $history->touched();

                    continue;
                }
                if ($asOne) {
                    $joined = $joined->then($outcome->change);
                } else {
                    $longer = ($command['more'] ?? false) === true ? $history->lengthen($command, $outcome) : null;
                    $said[count($said) - 1] = $longer ?? $history->step($command, $outcome->said, $outcome->change);
                }
                $history->score = $outcome->change->applyTo($history->score);
                $history->change = $history->change->then($outcome->change);
                $history->touched();
            }
            if (! $joined->isEmpty()) {
                $history->step($do, implode(' ', $said), $joined);
            }
            if ($said === []) {
                throw new Refusal(implode(' ', array_column($refused, 'detail')));
            }

            return $history->answer($said, $warnings) + ($refused === [] ? [] : ['refused' => $refused]);
        });
    }

    /**
     * Looks at what commands would do, doing nothing: the same code as `run`.
     *
     * @param  array<array-key, mixed>  $do
     * @return array<string, mixed>
     */
    public static function landing(Song $song, array $do): array
    {
        $history = new self($song);
        $said = $warnings = [];
        foreach ($do as $command) {
            $outcome = $history->command(is_array($command) ? $command : throw Refusal::parameter('do', $command, 'an object with edit, on and params'));
            $said[] = $outcome->said;
            array_push($warnings, ...$outcome->warnings);
            $history->selection = $outcome->selection;
            $history->score = $outcome->change->applyTo($history->score);
            $history->change = $history->change->then($outcome->change);
        }

        return $history->answer($said, $warnings) + ['marks' => [
            'merging' => (object) Landing::merging($history->change, $history->found),
            'far' => (object) Landing::far($history->change, $history->found),
        ]];
    }

    /**
     * What the grid reading says of the notes named; with none named, of their part.
     *
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    public static function reading(Song $song, mixed $on): array
    {
        return GridReading::of((new self($song))->notes($on), $song->time());
    }

    /**
     * The feel of the notes named; with none named, of their part.
     *
     * @throws Refusal
     */
    public static function groove(Song $song, mixed $name, mixed $on, mixed $grid): Groove
    {
        if (! is_string($grid)) {
            throw Refusal::parameter('grid', $grid, Grid::ALLOWED);
        }

        return GrooveReading::of(Library::name($name), (new self($song))->notes($on), Grid::parse($grid), $song->time());
    }

    /**
     * The notes that meet a condition, among those named or in the part; nothing changes.
     *
     * @return array{notes: list<int>}
     *
     * @throws Refusal
     */
    public static function pick(Song $song, mixed $on, mixed $pick): array
    {
        $history = new self($song);
        $notes = array_fill_keys(array_column($history->notes($on), 'id'), true);
        $found = [];
        foreach ($history->score->parts as $part) {
            array_push($found, ...array_filter(Pick::parse($pick)->of($part, $history->score->time), static fn (int $id): bool => isset($notes[$id])));
        }

        return ['notes' => $found];
    }

    /**
     * The notes that `on` names as they are carried away, cut at the edges of a span where one is given; with none
     * chosen, all that sounds in the span.
     *
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    public static function clip(Song $song, mixed $on, ?int $from, ?int $to): array
    {
        $history = new self($song);
        $history->load(On::parts($on));
        $chosen = On::read($on, $history->score);
        $part = $history->score->part(array_key_first($chosen->notes) ?? throw Refusal::missing('on', On::ALLOWED));
        $settings = $part->settings ?? PartSettings::fresh();
        $span = $from === null || $to === null ? null : [$from, $to];
        $ids = $chosen->notes[$part->id];

        return Clip::of($ids === [] && $span === null ? [] : $part->inOrder($ids === [] ? null : $ids), $song->time()->lines($settings->grid, $settings->swing), $span);
    }

    /**
     * Where the caret comes to in a part, and that place in words.
     *
     * @param  mixed  $by  as a nudge takes it; null for the part's nudge step
     * @return array{tick: int, place: string}
     *
     * @throws Refusal
     */
    public static function caret(Song $song, int $partId, int $tick, int $steps, mixed $by): array
    {
        $part = Part::query()->where('song_id', $song->id)->where('id', $partId)->first() ?? throw Refusal::parameter('part', $partId, 'a part of this song');
        $to = Caret::moved($tick, $steps, $by === null ? null : Distance::parse($by), $part->toSettings(), $song->time());

        return ['tick' => $to, 'place' => $song->time()->position($to)];
    }

    /**
     * Looks at the song as it was before its last step, doing nothing.
     *
     * @return array<string, mixed>
     *
     * @throws Refusal when there is no step
     */
    public static function before(Song $song): array
    {
        $history = new self($song);
        $step = $song->head_id === null ? throw new Refusal('There is no step yet to compare with.') : $history->find($song->head_id);
        $history->take($step, true);

        return $history->answer(['Before: '.$step->said], []);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Stale
     */
    public static function undo(int $songId, mixed $base, int $times, mixed $key = null): array
    {
        return self::locked($songId, $base, $key, static function (self $history) use ($times): array {
            $said = [];
            for ($i = 0; $i < $times && $history->song->head_id !== null; $i++) {
                $step = $history->find($history->song->head_id);
                $history->take($step, true);
                $said[] = 'Undone: '.$step->said;
            }

            return $history->answer($said === [] ? ['There is nothing to undo.'] : $said, []);
        });
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Stale
     */
    public static function redo(int $songId, mixed $base, int $times, mixed $key = null): array
    {
        return self::locked($songId, $base, $key, static function (self $history) use ($times): array {
            $said = [];
            for ($i = 0; $i < $times && ($next = SongView::nextOf($history->song)) !== null; $i++) {
                $step = $history->find($next);
                $history->take($step, false);
                $said[] = 'Done again: '.$step->said;
            }

            return $history->answer($said === [] ? ['There is nothing to redo.'] : $said, []);
        });
    }

    /**
     * Goes to any step of the tree, or to the start (null): back to where the two ways part, then on.
     *
     * @return array<string, mixed>
     *
     * @throws Stale|Refusal
     */
    public static function goTo(int $songId, mixed $base, ?int $target, mixed $key = null): array
    {
        return self::locked($songId, $base, $key, static function (self $history) use ($target): array {
            $way = [];
            for ($id = $target; $id !== null; $id = $way[$id]->parent_id) {
                $way[$id] = $history->find($id);
            }
            $steps = 0;
            while ($history->song->head_id !== null && ! isset($way[$history->song->head_id])) {
                $history->take($history->find($history->song->head_id), true);
                $steps++;
            }
            $onward = [];
            for ($id = $target; $id !== null && $id !== $history->song->head_id; $id = $way[$id]->parent_id) {
                array_unshift($onward, $way[$id]);
            }
            foreach ($onward as $step) {
                $history->take($step, false);
                $steps++;
            }

            return $history->answer([$target === null
                ? 'Back to the start of the history.'
                : sprintf('%s, at: %s', $steps === 1 ? '1 step taken' : "$steps steps taken", $way[$target]->said)], []);
        });
    }

    /**
     * @param  \Closure(self): array<string, mixed>  $work
     * @return array<string, mixed>
     */
    private static function locked(int $songId, mixed $base, mixed $key, \Closure $work): array
    {
        return Keeping::whole(static function () use ($songId, $base, $key, $work): array {
            $song = Song::query()->findOrFail($songId);
            if (! is_int($base)) {
                throw Refusal::parameter('base', $base, 'the revision of the song that the command was made on');
            }
            if ($key !== null && (! is_string($key) || $key === '' || strlen($key) > 64)) {
                throw Refusal::parameter('key', $key, 'a text of 1 to 64 letters that no other request has');
            }
            if ($key !== null && ! self::isNew($song, $key)) {
                throw new Stale(SongView::since($song, $base), true);
            }
            if ($base !== $song->revision) {
                throw new Stale(SongView::since($song, $base));
            }
            $history = new self($song);
            $answer = $work($history);
            $history->save();

            return ['revision' => $song->revision, 'end' => SongView::end($song, $history->score->time)] + $answer;
        });
    }

    /** Keeps the key of a request, with what it does or not at all; says whether it is the first with it. */
    private static function isNew(Song $song, string $key): bool
    {
        if (DB::table('requests')->insertOrIgnore(['song_id' => $song->id, 'key' => $key]) === 0) {
            return false;
        }
        // Old ones are cleared away now and then: it is not worth a look each time.
        if ($song->revision % self::SWEPT === 0) {
            $keys = DB::table('requests')->where('song_id', $song->id);
            $oldest = (clone $keys)->orderByDesc('id')->skip(self::KEYS)->value('id');
            if (is_int($oldest)) {
                $keys->where('id', '<=', $oldest)->delete();
            }
        }

        return true;
    }

    /** The pen takes after the note that was touched, where it is told to and there is one. */
    private function touched(): void
    {
        if ($this->selection === null || $this->selection->count() !== 1) {
            return;
        }
        foreach ($this->selection->notes as $partId => $ids) {
            $part = $this->score->part($partId);
            $settings = $part->settings ?? PartSettings::fresh();
            $note = $ids === [] ? null : $part->notes[$ids[0]] ?? null;
            $after = $note === null ? $settings : $settings->touching($note);
            if ($after !== $settings) {
                $this->score = $this->score->withPart($part->withSettings($after));
                $this->set[$partId] = true;
            }
        }
    }

    /** @param  array<array-key, mixed>  $command */
    private function command(array $command): Outcome
    {
        $this->load(isset($command['on']) ? On::parts($command['on']) : []);
        if (! isset($command['set'])) {
            $times = $command['times'] ?? 1;
            if (! is_int($times) || $times < 1 || $times > self::MOST_TIMES) {
                throw Refusal::parameter('times', $times, 'a whole number from 1 to '.self::MOST_TIMES);
            }
            unset($command['more'], $command['times']);

            return $this->times($command, $times);
        }
        $id = $command['part'] ?? null;
        if (! is_int($id) || ! is_array($command['set'])) {
            throw Refusal::parameter('set', $command, '{"set": {…}, "part": P}');
        }
        $this->load([$id]);
        $part = $this->score->part($id);
        $before = $part->settings ?? PartSettings::fresh();
        $set = $command['set'];
        if (array_keys($set) === ['touchedNote']) {
            // A note that was touched by hand: for the pen to take after.
            $note = is_int($set['touchedNote']) ? $part->notes[$set['touchedNote']] ?? null : null;
            $settings = $note === null ? $before : $before->touching($note);
        } else {
            $settings = $before->changed($set);
        }
        if ($settings === $before && isset($set['touchedNote'])) {
            return new Outcome(new Change, $this->selection ?? Selection::none(), '');
        }
        $this->score = $this->score->withPart($part->withSettings($settings));
        $this->set[$id] = true;

        return new Outcome(new Change, $this->selection ?? Selection::none(), isset($set['touchedNote']) ? '' : $settings->sentence($before));
    }

    /**
     * A command so many times over, as one: each time on what the time before left.
     *
     * @param  array<array-key, mixed>  $command
     */
    private function times(array $command, int $times): Outcome
    {
        $score = $this->score;
        $outcome = $this->once($command, $score, $this->selection);
        $change = $outcome->change;
        for ($i = 1; $i < $times && ! isset($command['select']); $i++) {
            $score = $outcome->change->applyTo($score);
            $outcome = $this->once(array_diff_key($command, ['on' => 0]), $score, $outcome->selection);
            $change = $change->then($outcome->change);
        }
        for ($i = 1; $i < $times && isset($command['select']); $i++) {
            $outcome = $this->once(array_diff_key($command, ['on' => 0]), $score, $outcome->selection);
        }

        return new Outcome($change, $outcome->selection, $times === 1 || isset($command['select']) ? $outcome->said : rtrim($outcome->said, '.').", $times times.", $outcome->warnings);
    }

    /** @param  array<array-key, mixed>  $command */
    private function once(array $command, Score $score, ?Selection $last): Outcome
    {
        return Runner::command($command, $score, $last, isset($command['recipe']) ? $this->book ??= Recipe::book() : new Book);
    }

    /** @param  list<int>  $ids */
    private function load(array $ids): void
    {
        $missing = array_values(array_diff($ids, array_keys($this->parts)));
        if ($missing === []) {
            return;
        }
        $cores = $this->score->parts;
        foreach (Part::query()->where('song_id', $this->song->id)->findMany($missing) as $part) {
            $this->parts[$part->id] = $part;
            $cores[$part->id] = $part->toCore();
        }
        ksort($cores);
        $this->found = new Score($this->score->time, $this->found->parts + array_diff_key($cores, $this->score->parts));
        $this->score = new Score($this->score->time, $cores);
    }

    /**
     * The notes that `on` names, in order; of a part in which none is chosen, all.
     *
     * @return list<Note>
     */
    private function notes(mixed $on): array
    {
        $this->load(On::parts($on));
        $notes = [];
        foreach (On::read($on, $this->score)->notes as $part => $ids) {
            array_push($notes, ...$this->score->part($part)->inOrder($ids === [] ? null : $ids));
        }

        return $notes;
    }

    private function find(int $id): Step
    {
        return Step::query()->where('song_id', $this->song->id)->find($id) ?? throw Refusal::parameter('step', $id, 'a step of this song');
    }

    /** Walks over one step, back or on. */
    private function take(Step $step, bool $undo): void
    {
        $this->load(ChangeCodec::parts($step->change));
        $change = ChangeCodec::decode($step->change, array_map(static fn (CorePart $p): array => $p->notes, $this->score->parts), $undo);
        $change = $undo ? $change->inverse() : $change;
        $this->score = $change->applyTo($this->score);
        $this->change = $this->change->then($change);
        $this->selection = new Selection(array_map(static fn (PartChange $p): array => array_keys($p->after), $change->parts));
        if ($undo) {
            $this->song->head_id = $step->parent_id;
        } else {
            $this->markNext($step->id);
            $this->song->head_id = $step->id;
        }
    }

    /**
     * Makes the last step longer instead of a new one: of a key that is held, or a wheel that goes on turning. Only
     * where the same command worked on the same notes, and nothing was done otherwise from there.
     *
     * @param  array<array-key, mixed>  $command
     * @return string|null the sentence of the longer step; null where it cannot be
     */
    private function lengthen(array $command, Outcome $outcome): ?string
    {
        if ($this->song->head_id === null) {
            return null;
        }
        $step = $this->find($this->song->head_id);
        $last = json_decode($step->command, true, 64, JSON_THROW_ON_ERROR);
        $edit = Catalogue::classes()[is_string($command['edit'] ?? null) ? $command['edit'] : ''] ?? null;
        if ($edit !== null && is_subclass_of($edit, Continued::class)) {
            return $this->goOn($edit, $step, $last, $command, $outcome);
        }
        $what = static fn (array $c): array => [$c['edit'] ?? null, $c['params'] ?? []];
        if (! is_array($last) || $what($last) != $what($command) || Step::query()->where('parent_id', $step->id)->exists()) {
            return null;
        }
        $this->load(ChangeCodec::parts($step->change));
        $before = ChangeCodec::decode($step->change, array_map(static fn (CorePart $p): array => $p->notes, $this->score->parts), true);
        $same = static fn (Change $c): array => array_map(static fn (PartChange $p): array => array_fill_keys(array_keys($p->after), true), $c->parts);
        $joined = $before->then($outcome->change);
        if ($same($before) != $same($outcome->change) || $joined->isEmpty()) {
            return null;
        }
        $times = (is_int($last['times'] ?? null) ? $last['times'] : 1) + 1;
        $step->update([
            'command' => json_encode(['times' => $times] + $last, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'said' => $said = rtrim($outcome->said, '.').", $times times.",
            'change' => ChangeCodec::encode($joined),
        ]);

        return $said;
    }

    /**
     * Makes the last step longer by another piece of what it is a piece of.
     *
     * @param  class-string<Continued>  $edit
     * @param  array<array-key, mixed>  $command
     */
    private function goOn(string $edit, Step $step, mixed $last, array $command, Outcome $outcome): ?string
    {
        $params = static fn (mixed $c): array => is_array($c) && is_array($c['params'] ?? null) ? $c['params'] : [];
        if (! is_array($last) || ($last['edit'] ?? null) !== ($command['edit'] ?? null) || Step::query()->where('parent_id', $step->id)->exists()) {
            return null;
        }
        $joined = $edit::joined($params($last), $params($command));
        if ($joined === null) {
            return null;
        }
        $this->load(ChangeCodec::parts($step->change));
        $change = ChangeCodec::decode($step->change, array_map(static fn (CorePart $p): array => $p->notes, $this->score->parts), true)->then($outcome->change);
        $step->update([
            'command' => json_encode(['params' => $joined] + $last, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'said' => $said = $edit::sentence($change, $joined),
            'change' => ChangeCodec::encode($change),
        ]);

        return $said;
    }

    private function step(mixed $command, string $said, Change $change): string
    {
        $step = Step::query()->create([
            'song_id' => $this->song->id,
            'parent_id' => $this->song->head_id,
            'command' => json_encode($command, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'said' => $said,
            'change' => ChangeCodec::encode($change),
        ]);
        $this->markNext($step->id);
        $this->song->head_id = $step->id;

        return $said;
    }

    private function markNext(int $id): void
    {
        if ($this->song->head_id === null) {
            $this->song->first_id = $id;
        } else {
            Step::query()->where('id', $this->song->head_id)->toBase()->update(['next_id' => $id]);
        }
    }

    private function save(): void
    {
        $touched = array_keys($this->change->parts + $this->set);
        if ($touched === [] && $this->change->time === null && ! $this->song->isDirty()) {
            return;
        }
        $this->song->revision++;
        if ($this->change->time !== null) {
            $this->song->tempos = $this->score->time->tempoRows;
            $this->song->meters = $this->score->time->meterRows;
            $this->song->time_revision = $this->song->revision;
        }
        foreach ($touched as $id) {
            $part = $this->parts[$id]->fillFrom($this->score->part($id));
            $part->revision = $this->song->revision;
            $part->save();
        }
        $this->song->save();
    }

    /**
     * @param  list<string>  $said
     * @param  list<string>  $warnings
     * @return array<string, mixed>
     */
    private function answer(array $said, array $warnings): array
    {
        $parts = [];
        foreach ($this->change->parts as $id => $change) {
            $parts[$id] = ['put' => Document::rows($change->after), 'drop' => $change->dropped()]
                + ($change->pointsBefore + $change->pointsAfter === [] ? [] : ['points' => SongView::points($this->score->part($id))]);
        }
        foreach (array_keys($this->set) as $id) {
            $part = $this->score->part($id);
            $parts[$id] = ($parts[$id] ?? ['put' => [], 'drop' => []]) + [
                'settings' => ($part->settings ?? PartSettings::fresh())->toArray(),
                'lines' => SongView::lines($part, $this->score->time, SongView::end($this->song, $this->score->time)),
            ];
        }

        return ($this->change->time === null ? [] : ['time' => SongView::time($this->song, $this->score->time)]) + [
            'parts' => (object) $parts,
            'selection' => $this->selection?->toArray(),
            'said' => $said,
            'warnings' => $warnings,
            'canUndo' => $this->song->head_id !== null,
            'canRedo' => SongView::nextOf($this->song) !== null,
        ];
    }
}

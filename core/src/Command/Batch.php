<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Editor;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Progress;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Recipe;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Scope;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\SelectionCommands;
use Jactonic\Core\Selection\TargetReader;

/**
 * The one loop that runs a list of commands: the history, the landing, recipes and the command line all go by it. It
 * holds the score as the commands so far left it, and what they left selected; a command that is refused leaves the score, and selected what it named.
 *
 * A command is one of {"edit", "params"}, {"select": move or pick, "how"}, {"recipe": key or recipe}, {"set": settings}, {"touched":
 * note}; with "on" where it does not work on what the one before left selected, "context" for the places it names (where that
 * leaves the caret out, it is where the one before left it), and "times" for how many times over.
 */
final class Batch
{
    /** The most times over that a command may be asked for. */
    public const MOST_TIMES = 999;

    public const KEYS = [
        'edit' => ['params', 'on', 'context', 'times', 'more'], 'select' => ['how', 'on', 'context', 'times', 'more'],
        'recipe' => ['on', 'context', 'times', 'more'], 'set' => ['on', 'part', 'context', 'more'], 'touched' => ['part', 'on'],
    ];

    /** What all commands so far did, as one. */
    public Change $change;

    /**
     * @var array<int, true> parts that were put in or taken away between other changes of theirs: what was done to them
     *                       out of sight is in the score, and not in the change
     */
    public array $rebuilt = [];

    /** What the last command would have needed, where nothing was done for want of it. */
    public ?Requires $missing = null;

    /** @var array<int, true> parts whose settings were set */
    public array $set = [];

    /** @var array<int, bool> parts that were changed, each with whether it was put in or taken away */
    private array $touched = [];

    /** What the last command worked on; null where nothing was known to be selected. */
    public ?Selection $on = null;

    /** Where writing goes on; null where it stays. */
    public ?int $caret = null;

    /** @var array{int, int}|null tick and pitch to which the caret went with the work; null where it stays */
    public ?array $at = null;

    /** Id of the track to which the caret went; null where it stays on its own. */
    public ?int $atTrack = null;

    /** Where the last command was asked for. */
    public ?Context $asked = null;

    /**
     * @param  Selection|null  $chosen  what is selected before the first; null where nothing is known to be
     * @param  bool  $follows  whether the caret goes with the work; the places of a recipe are those of where it is run
     */
    public function __construct(public Score $score, private readonly Book $book = new Book, public ?Selection $chosen = null, private Context $context = new Context, private readonly bool $follows = true)
    {
        $this->change = new Change;
    }

    /**
     * One command on a score, for whoever wants no more than that.
     *
     * @throws Refusal
     */
    public static function once(mixed $command, Score $score, ?Selection $chosen = null, Book $book = new Book): Outcome
    {
        return (new self($score, $book, $chosen))->run($command);
    }

    /** @throws Refusal when it cannot be done; then nothing of it is */
    public function run(mixed $command): Outcome
    {
        [$kind, $command] = self::kind($command);
        $on = isset($command['on']) ? TargetReader::read($command['on'], $this->score) : $this->chosen;
        $context = $this->where($command['context'] ?? null);
        try {
            $outcome = match ($kind) {
                'set' => $this->settings($command, $on ?? Selection::none()),
                'touched' => $this->touch($command, $on ?? Selection::none()),
                default => $this->times($kind, $command, $on, $context),
            };
        } catch (Refusal $refusal) {
            // What it names is what a person had selected when it was asked for: that stays selected.
            $this->chosen = $on;
            // What the one before it wanted is not what is missing now.
            $this->missing = null;
            throw $refusal;
        }
        Progress::look();
        $this->join($outcome->change);
        Progress::look();
        $this->on = $on;
        $this->asked = $context;
        if ($this->follows && $context->caret !== null && $kind !== 'set' && $kind !== 'touched') {
            $walks = $kind === 'select' && is_string($command['select']) && SelectionCommands::spec($command['select'])->scope === Scope::Walk;
            $this->at = CaretRule::place($outcome->change, $on, $outcome->selection, $this->score, $walks, $context->row) ?? $this->at;
        }
        $this->missing = $outcome->missing;
        // Settings may be set where nothing is selected: what they are of is not selected by that.
        $this->chosen = $kind === 'set' ? $this->chosen ?? $outcome->selection : $outcome->selection;
        $this->caret = $outcome->caret ?? $this->caret;
        foreach ($outcome->settings as $part => $settings) {
            $this->score = $this->score->withPart($this->score->part($part)->withSettings($settings));
            $this->set[$part] = true;
        }
        if ($kind !== 'set') {
            $this->touched();
        }

        return $outcome;
    }

    /** Takes over a change that was made before, as if a command had made it. */
    public function take(Change $change, Selection $chosen): void
    {
        $this->join($change);
        $this->chosen = $chosen;
    }

    /** Where a command was given: what its own context leaves out of the caret is where the one before it left that. */
    private function where(mixed $given): Context
    {
        $before = $this->at === null ? $this->context : $this->context->withCaret(...$this->at);
        if ($given === null) {
            return $before;
        }
        $context = Context::read($given);
        if ($context->caret === null) {
            return $before->caret === null ? $context : $context->withCaret($before->caret, $before->row);
        }
        [$this->context, $this->at] = [$this->context->withCaret($context->caret, $context->row), null];

        return $context;
    }

    /** Puts a part that is out of sight in place of itself as it is: to be kept whole. */
    public function hide(Part $part): void
    {
        $score = $this->score;
        $this->score = new Score($score->time, $score->parts, $score->tracks, $score->nextPart, $score->nextTrack, [$part->id => $part] + $score->gone, $score->name, $score->scale);
        $this->rebuilt[$part->id] = true;
    }

    private function join(Change $change): void
    {
        $this->score = $change->applyTo($this->score);
        $this->change = $this->change->then($change);
        foreach ($change->parts as $id => $part) {
            $appears = $part->head !== null && ($part->head->before === null || $part->head->after === null);
            if (isset($this->touched[$id]) && ($appears || $this->touched[$id])) {
                $this->rebuilt[$id] = true;
            }
            $this->touched[$id] = $appears || ($this->touched[$id] ?? false);
        }
    }

    /**
     * @return array{string, array<array-key, mixed>} what kind of command it is, and the command
     *
     * @throws Refusal where it is none
     */
    private static function kind(mixed $command): array
    {
        $kinds = is_array($command) ? array_values(array_intersect(array_keys(self::KEYS), array_keys($command))) : [];
        if (! is_array($command) || count($kinds) !== 1) {
            throw Refusal::parameter('do', $command, 'an object with one of '.implode(', ', array_keys(self::KEYS)));
        }
        $unknown = array_diff(array_keys($command), $kinds, self::KEYS[$kinds[0]]);
        if ($unknown !== []) {
            throw Refusal::parameter('do', reset($unknown), implode(', ', [$kinds[0], ...self::KEYS[$kinds[0]]]));
        }

        if (! is_bool($command['more'] ?? false)) {
            throw Refusal::parameter('more', $command['more'], 'true, or left out');
        }

        return [$kinds[0], $command];
    }

    /**
     * A command so many times over, as one: each time on what the time before left.
     *
     * @param  array<array-key, mixed>  $command
     */
    private function times(string $kind, array $command, ?Selection $on, Context $context): Outcome
    {
        $times = $command['times'] ?? 1;
        if (! is_int($times) || $times < 1 || $times > self::MOST_TIMES) {
            throw Refusal::parameter('times', $times, 'a whole number from 1 to '.self::MOST_TIMES);
        }
        $score = $this->score;
        $outcome = $this->done($kind, $command, $score, $on, $context);
        $change = $outcome->change;
        $rounds = [$outcome];
        for ($i = 1; $i < $times; $i++) {
            $score = $outcome->change->applyTo($score);
            $outcome = $this->done($kind, $command, $score, $outcome->selection, $context);
            $change = $change->then($outcome->change);
            $rounds[] = $outcome;
        }

        return $times === 1 ? $outcome : new Outcome($change, $outcome->selection, $kind === 'select' ? $outcome->said : Rounds::sentence($rounds),
            array_values(array_unique(array_merge(...array_column($rounds, 'warnings')))), $outcome->caret);
    }

    /** @param  array<array-key, mixed>  $command */
    private function done(string $kind, array $command, Score $score, ?Selection $on, Context $context): Outcome
    {
        return match ($kind) {
            'edit' => $this->edit($command, $score, $on, $context),
            'select' => Selecting::run($command['select'], $command['how'] ?? null, $score, $on ?? throw Refusal::missing('on', TargetReader::ALLOWED), $context),
            default => $this->recipe(is_string($command['recipe']) ? $this->book->find($command['recipe']) : Recipe::fromArray($command['recipe']), $score, $on ?? throw Refusal::missing('on', TargetReader::ALLOWED), $context),
        };
    }

    /** @param  array<array-key, mixed>  $command */
    private function edit(array $command, Score $score, ?Selection $on, Context $context): Outcome
    {
        $id = is_string($command['edit']) ? $command['edit'] : throw Refusal::parameter('edit', $command['edit'], 'the id of an edit');
        if ($on === null && ! Editor::needsNothing($id)) {
            throw Refusal::missing('on', TargetReader::ALLOWED);
        }

        return Editor::run($id, $command['params'] ?? [], $score, $on ?? Selection::none(), $context);
    }

    /**
     * Runs a recipe as one change. The condition selects among the selected notes, or with none selected among all of the
     * parts named; then each step works on what the one before it left selected. Settings hold until the recipe ends: they
     * are never kept.
     *
     * @throws Refusal of the whole when one step is refused, saying which and why
     */
    private function recipe(Recipe $recipe, Score $score, Selection $on, Context $context): Outcome
    {
        $this->book->check($recipe);
        if ($recipe->pick !== null) {
            $on = self::narrow(NoteFilter::parse($recipe->pick), $score, $on);
            if ($on->isEmpty()) {
                return new Outcome(new Change, $on, "“{$recipe->name}”: no notes meet its condition. Nothing changed.");
            }
        }
        $count = $on->count();
        $inner = new self($score, $this->book, $on, $context, false);
        $warnings = $said = [];
        foreach ($recipe->steps as $i => $step) {
            if ($step['off'] ?? false) {
                continue;
            }
            unset($step['off']);
            try {
                $outcome = $inner->run($step);
            } catch (Refusal $refusal) {
                throw new Refusal(sprintf('“%s” was refused at step %d, %s: %s', $recipe->name, $i + 1, Recipe::title($step, $this->book), $refusal->getMessage()), $refusal->parameter);
            }
            if (isset($step['edit']) || isset($step['recipe'])) {
                $said[] = $outcome->said;
            }
            array_push($warnings, ...$outcome->warnings);
        }
        $chosen = $inner->chosen ?? $on;
        $sentence = match (count($said)) {
            0 => Wording::notes($chosen->count()).' selected.',
            1, 2 => implode(' ', $said),
            default => sprintf('%s, %d steps. Last: %s', Wording::notes($count), count($said), $said[count($said) - 1]),
        };

        return new Outcome($inner->change, $chosen, "“{$recipe->name}”: $sentence", array_values(array_unique($warnings)));
    }

    private static function narrow(NoteFilter $pick, Score $score, Selection $on): Selection
    {
        $whole = $on->isEmpty();
        $ids = [];
        foreach ($on->notes as $part => $chosen) {
            $found = $pick->of($score->part($part), $score->time, $score->scale);
            $ids[$part] = $whole ? $found : array_values(array_intersect($found, $chosen));
        }
        foreach ($on->parts as $part) {
            $ids[$part] ??= $pick->of($score->part($part), $score->time, $score->scale);
        }

        return new Selection($ids);
    }

    /**
     * Settings of the part named, else of those in which something is selected.
     *
     * @param  array<array-key, mixed>  $command
     */
    private function settings(array $command, Selection $on): Outcome
    {
        $set = $command['set'];
        $parts = isset($command['part']) ? [$command['part']] : $on->partIds();
        if (! is_array($set) || $parts === []) {
            throw Refusal::parameter('set', $command, '{"set": {…}, "part": P}');
        }
        $after = [];
        $said = [];
        foreach ($parts as $id) {
            $part = $this->score->part(is_int($id) ? $id : throw Refusal::parameter('part', $id, 'the id of a part'));
            $after[$part->id] = $part->settings()->changed($set);
            $said[] = $after[$part->id]->sentence($part->settings());
        }

        return new Outcome(new Change, $on, implode(' ', array_unique($said)), settings: $after);
    }

    /**
     * A note was touched by hand: the pen takes after it, where it is told to. It says nothing, and what is selected stays.
     *
     * @param  array<array-key, mixed>  $command
     */
    private function touch(array $command, Selection $on): Outcome
    {
        $part = $this->score->part(is_int($command['part'] ?? null) ? $command['part'] : throw Refusal::parameter('part', $command['part'] ?? null, 'the id of a part'));
        $note = is_int($command['touched']) ? $part->notes->get($command['touched']) : null;
        $after = $note === null ? $part->settings() : $part->settings()->touching($note);

        return new Outcome(new Change, $on, '', settings: $after === $part->settings() ? [] : [$part->id => $after]);
    }

    /** The pen takes after the one note that a command left selected, where it is told to. */
    private function touched(): void
    {
        if ($this->chosen === null || $this->chosen->count() !== 1) {
            return;
        }
        foreach (array_filter($this->chosen->notes) as $id => $ids) {
            $part = $this->score->part($id);
            $note = $part->notes->get($ids[0]);
            $after = $note === null ? $part->settings() : $part->settings()->touching($note);
            if ($after !== $part->settings()) {
                $this->score = $this->score->withPart($part->withSettings($after));
                $this->set[$id] = true;
            }
        }
    }
}

<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Recipe;
use App\Models\Song;
use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\CollisionCheck;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Reading\Readings;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\TargetReader;

/** What can be asked of a song: to do commands, to look what they would do, to go back and on in its history. */
final class History
{
    /** Seconds for which a way through the history may hold the lock: the rest of it is asked for again. */
    private const AT_ONCE = 0.3;

    /** The most commands in one request. */
    private const MOST = 1000;

    /**
     * Runs a list of commands, each a step of its own unless they are to be one. Of separate commands, one that is
     * refused stops none of the others; of commands that are to be one, it stops all.
     *
     * @param  mixed  $do  as it came
     * @param  mixed  $context  where it was asked for, for commands that do not say that themselves
     * @param  mixed  $on  what is selected before the first
     * @return array<string, mixed> the answer to the interface
     *
     * @throws Stale|Refusal
     */
    public static function run(int $songId, mixed $base, mixed $do, bool $asOne, mixed $key = null, mixed $context = null, mixed $on = null, bool $brief = false): array
    {
        $do = self::commands($do);

        return RequestGate::enter($songId, $base, $key, static function (Session $session) use ($asOne, $do, $on, $brief): array {
            $session->brief = $brief;
            $session->given = $session->batch->chosen = $on === null ? null : TargetReader::read($on, $session->batch->score);

            return $asOne ? self::one($session, $do) : self::each($session, $do);
        }, self::book($do), Context::read($context));
    }

    /**
     * Looks at what commands would do, doing nothing: the same code as `run`.
     *
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    public static function landing(Song $song, mixed $do, mixed $context = null, bool $brief = false): array
    {
        $do = self::commands($do);
        $session = new Session($song, self::book($do), Context::read($context));
        $session->brief = $brief;
        $said = $warnings = [];
        foreach ($do as $command) {
            $outcome = Trial::run($session, $command);
            $said[] = $outcome->said;
            array_push($warnings, ...$outcome->warnings);
        }
        $change = $session->batch->change;

        return Answer::of($session, $said, array_values(array_unique($warnings))) + ['marks' => [
            'merging' => (object) CollisionCheck::merging($change, $session->found),
            'far' => (object) CollisionCheck::far($change, $session->found),
        ]];
    }

    /**
     * What a reading says; nothing changes.
     *
     * @return array<string, mixed>
     *
     * @throws Refusal
     */
    public static function reading(Song $song, mixed $reading, mixed $on, mixed $params, mixed $context): array
    {
        $session = new Session($song);

        return Readings::read($reading, $params, $session->found, $on === null ? Selection::none() : TargetReader::read($on, $session->found), Context::read($context));
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
        $session = new Session($song);
        $tree = new Tree($session);
        $step = $tree->head() ?? throw new Refusal('There is no step yet to compare with.');
        $tree->take($step, true);

        return Answer::of($session, ['Before: '.$step->said], []);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Stale
     */
    public static function undo(int $songId, mixed $base, int $times, mixed $key = null, bool $brief = false): array
    {
        return RequestGate::enter($songId, $base, $key, static function (Session $session) use ($times, $brief): array {
            $session->brief = $brief;
            $tree = new Tree($session);
            $said = [];
            for ($i = 0; $i < $times && ($step = $tree->head()) !== null; $i++) {
                $tree->take($step, true);
                $said[] = 'Undone: '.$step->said;
            }

            return Answer::of($session, $said === [] ? ['There is nothing to undo.'] : $said, []);
        });
    }

    /**
     * @return array<string, mixed>
     *
     * @throws Stale
     */
    public static function redo(int $songId, mixed $base, int $times, mixed $key = null, bool $brief = false): array
    {
        return RequestGate::enter($songId, $base, $key, static function (Session $session) use ($times, $brief): array {
            $session->brief = $brief;
            $tree = new Tree($session);
            $said = [];
            for ($i = 0; $i < $times && ($step = $tree->next()) !== null; $i++) {
                $tree->take($step, false);
                $said[] = 'Redone: '.$step->said;
            }

            return Answer::of($session, $said === [] ? ['There is nothing to redo.'] : $said, []);
        });
    }

    /**
     * Goes toward any step of the tree, or the start (null). Where it is far the answer says how many steps are `left`, and
     * it is asked for again.
     *
     * @return array<string, mixed>
     *
     * @throws Stale|Refusal
     */
    public static function goTo(int $songId, mixed $base, ?int $target, mixed $key = null, bool $brief = false): array
    {
        return RequestGate::enter($songId, $base, $key, static function (Session $session) use ($target, $brief): array {
            $session->brief = $brief;
            $tree = new Tree($session);
            [$steps, $left] = $tree->goTo($target, self::AT_ONCE);
            $taken = $steps === 1 ? '1 step taken' : number_format($steps).' steps taken';

            return Answer::of($session, [match (true) {
                $left > 0 => sprintf('%s, %s to go; Esc stops.', $taken, number_format($left)),
                $target === null => 'Back to the start of the history.',
                default => sprintf('%s, at: %s', $taken, $tree->find($target)->said),
            }], []) + ($left > 0 ? ['left' => $left] : []);
        });
    }

    /**
     * Each a step of its own.
     *
     * @param  list<mixed>  $do
     * @return array<string, mixed>
     */
    private static function each(Session $session, array $do): array
    {
        $tree = new Tree($session);
        $said = $warnings = $refused = [];
        foreach ($do as $i => $command) {
            try {
                $outcome = Trial::run($session, $command);
            } catch (Refusal $refusal) {
                if (count($do) === 1) {
                    throw $refusal;
                }
                $refused[] = ['item' => $i, 'detail' => $refusal->getMessage()] + ($refusal->screen() === null ? [] : ['screen' => $refusal->screen()]);

                continue;
            }
            array_push($warnings, ...$outcome->warnings);
            $sentence = $outcome->said;
            if (! $outcome->change->isEmpty() && is_array($command)) {
                $longer = ($command['more'] ?? false) === true ? (new StepMerging($session, $tree))->step($command, $outcome, $session->batch->on) : null;
                $sentence = $longer ?? $sentence;
                if ($longer === null) {
                    $tree->add($command, $sentence, $outcome, $session->batch->on, $session->batch->asked);
                }
            }
            $said[] = $sentence;
        }
        if ($said === []) {
            throw new Refusal(implode(' ', array_column($refused, 'detail')));
        }

        return Answer::of($session, $said, array_values(array_unique($warnings))) + ($refused === [] ? [] : ['refused' => $refused]);
    }

    /**
     * All of them one step, all or nothing.
     *
     * @param  list<mixed>  $do
     * @return array<string, mixed>
     */
    private static function one(Session $session, array $do): array
    {
        $said = $warnings = [];
        $joined = new Change;
        $before = $asked = null;
        foreach ($do as $i => $command) {
            $outcome = $session->batch->run($command);
            [$before, $asked] = $i === 0 ? [$session->batch->on, $session->batch->asked] : [$before, $asked];
            $said[] = $outcome->said;
            array_push($warnings, ...$outcome->warnings);
            $joined = $joined->then($outcome->change);
        }
        if (! $joined->isEmpty()) {
            (new Tree($session))->add($do, implode(' ', $said), new Outcome($joined, $session->batch->chosen ?? Selection::none(), '', caret: $session->batch->caret), $before, $asked);
        }

        return Answer::of($session, $said, array_values(array_unique($warnings)));
    }

    /**
     * @return list<mixed>
     *
     * @throws Refusal
     */
    private static function commands(mixed $do): array
    {
        return is_array($do) && array_is_list($do) && $do !== [] && count($do) <= self::MOST ? $do : throw Refusal::parameter('do', $do, 'a list of 1 to '.self::MOST.' commands');
    }

    /**
     * The recipes, where a command asks for one.
     *
     * @param  list<mixed>  $do
     */
    private static function book(array $do): Book
    {
        return array_filter($do, static fn (mixed $c): bool => is_array($c) && isset($c['recipe'])) === [] ? new Book : Recipe::book();
    }
}

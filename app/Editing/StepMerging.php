<?php

declare(strict_types=1);

namespace App\Editing;

use App\Models\Step;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Command\Rounds;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Coalescing;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Selection\Selection;

/**
 * Makes the last step longer instead of a new one: of a key that is held, a wheel that goes on turning, a take that goes
 * on. Only where nothing was done otherwise from there.
 */
final class StepMerging
{
    public function __construct(private readonly Session $session, private readonly Tree $tree)
    {
    }

    /**
     * @param  array<array-key, mixed>  $command
     * @param  Outcome  $outcome  of it, which the session has taken in already
     * @param  Selection|null  $on  what was selected before it
     * @return string|null the sentence of the longer step; null where it cannot be
     */
    public function step(array $command, Outcome $outcome, ?Selection $on): ?string
    {
        $step = $this->tree->head();
        $last = $step === null ? null : json_decode($step->command, true, 64, JSON_THROW_ON_ERROR);
        if ($step === null || ! is_array($last) || self::edit($last) !== self::edit($command) || DB::table('steps')->where('song_id', $step->song_id)->where('parent_id', $step->id)->exists()) {
            return null;
        }
        $edit = Catalogue::classes()[self::edit($command) ?? ''] ?? null;

        return $edit !== null && is_subclass_of($edit, Coalescing::class) ? $this->piece($edit, $step, $last, $command, $outcome) : $this->again($step, $last, $command, $outcome, $on);
    }

    /** @param  array<array-key, mixed>  $command */
    private static function edit(array $command): ?string
    {
        return is_string($command['edit'] ?? null) ? Catalogue::current($command['edit']) : null;
    }

    /**
     * The same command on what it left selected.
     *
     * @param  array<array-key, mixed>  $last
     * @param  array<array-key, mixed>  $command
     */
    private function again(Step $step, array $last, array $command, Outcome $outcome, ?Selection $on): ?string
    {
        $kept = $step->chosen === null ? null : json_decode($step->chosen, true, 64, JSON_THROW_ON_ERROR);
        if (($last['params'] ?? []) != ($command['params'] ?? []) || ! is_array($kept) || ($kept[1] ?? null) != $on?->toArray(true)) {
            return null;
        }
        $times = (is_int($last['times'] ?? null) ? $last['times'] : 1) + 1;

        return $this->rewrite($step, ['times' => $times] + $last, Rounds::longer($step->said, $outcome->said, $times), $outcome);
    }

    /**
     * Another piece of what the step is a piece of.
     *
     * @param  class-string<Coalescing>  $edit
     * @param  array<array-key, mixed>  $last
     * @param  array<array-key, mixed>  $command
     */
    private function piece(string $edit, Step $step, array $last, array $command, Outcome $outcome): ?string
    {
        $params = static fn (array $c): array => is_array($c['params'] ?? null) ? $c['params'] : [];
        $joined = $edit::joined($params($last), $params($command));

        return $joined === null ? null : $this->rewrite($step, ['params' => $joined] + $last, null, $outcome, static fn ($change): string => $edit::sentence($change, $joined));
    }

    /**
     * @param  array<array-key, mixed>  $command
     * @param  (\Closure(\Jactonic\Core\Change\Change): string)|null  $sentence
     */
    private function rewrite(Step $step, array $command, ?string $said, Outcome $outcome, ?\Closure $sentence = null): string
    {
        $this->session->reach(ChangeCodec::parts($step->change));
        // The score stands after both; the step's own other side is one change back.
        $between = $outcome->change->inverse()->applyTo($this->session->batch->score);
        $change = ChangeCodec::decode($step->change, $between, true)->then($outcome->change);
        $said ??= $sentence === null ? $outcome->said : $sentence($change);
        KeptStates::forget($step->id);
        $step->update(['command' => json_encode($command, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE), 'said' => $said, 'change' => ChangeCodec::encode($change)]);

        return $said;
    }
}

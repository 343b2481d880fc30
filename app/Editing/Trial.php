<?php

declare(strict_types=1);

namespace App\Editing;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeCodec;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;

/**
 * Values that are tried one after another. An edit that says what makes it another try, done again to the same selection
 * with nothing between, begins again from what was there before the first try; with the same values it goes on from here.
 */
final class Trial
{
    /** @throws Refusal where the command cannot be done; then nothing of it is */
    public static function run(Session $session, mixed $command): Outcome
    {
        $before = clone $session->batch;
        $outcome = $session->batch->run($command);
        $tries = $outcome->tried === null || ! is_array($command) ? [] : self::before($session, $command, $session->batch->on);
        if ($tries === []) {
            return $outcome;
        } elseif ($tries[0]['tried'] == $outcome->tried) {
            return $outcome->with($outcome->change, 'It went on from the try before.');
        }
        $session->batch = $before;
        $session->reach(array_values(array_unique(array_merge(...array_map(static fn (array $try): array => ChangeCodec::parts($try['change']), $tries)))));
        $back = new Change;
        foreach ($tries as $try) {
            $undone = ChangeCodec::decode($try['change'], $before->score, true)->inverse();
            $before->take($undone, $before->chosen ?? Selection::none());
            $back = $back->then($undone);
        }
        $outcome = $before->run($command);

        return $outcome->with($back->then($outcome->change), 'It began again from before the first try.');
    }

    /**
     * The steps before, as far back as each is the same edit on the same selection.
     *
     * @param  array<array-key, mixed>  $command
     * @return list<array{tried: mixed, change: string}> the last first
     */
    private static function before(Session $session, array $command, ?Selection $on): array
    {
        $edit = Catalogue::current(is_string($command['edit'] ?? null) ? $command['edit'] : '');
        $named = $on?->toArray(true);
        $tree = new Tree($session);
        $tries = [];
        for ($step = $tree->head(); $step?->chosen !== null; $step = $step->parent_id === null ? null : $tree->find($step->parent_id)) {
            $last = json_decode($step->command, true, 64, JSON_THROW_ON_ERROR);
            $kept = json_decode($step->chosen, true, 64, JSON_THROW_ON_ERROR);
            if (! is_array($last) || ! is_string($last['edit'] ?? null) || Catalogue::current($last['edit']) !== $edit || ! is_array($kept) || ! isset($kept[4]) || ($kept[1] ?? null) != $named) {
                break;
            }
            $tries[] = ['tried' => $kept[4], 'change' => $step->change];
        }

        return $tries;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Change;
use Jactonic\Core\Edit\Editor;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\On;
use Jactonic\Core\Selection\Pick;
use Jactonic\Core\Selection\Selection;

/** Runs a recipe as one change. */
final class Runner
{
    /**
     * Runs a command: an edit or a selection move as Editor does, or {"recipe": key or recipe, "on": …}.
     *
     * @param  array<array-key, mixed>  $command
     * @param  Selection|null  $last  what the command before left chosen
     *
     * @throws Refusal
     */
    public static function command(array $command, Score $score, ?Selection $last, Book $book): Outcome
    {
        if (! isset($command['recipe'])) {
            return Editor::run($command, $score, $last);
        }
        $unknown = array_diff(array_keys($command), ['recipe', 'on']);
        if ($unknown !== []) {
            throw Refusal::parameter('do', reset($unknown), 'recipe and on');
        }
        $recipe = is_string($command['recipe']) ? $book->find($command['recipe']) : Recipe::fromArray($command['recipe']);
        $selection = isset($command['on']) ? On::read($command['on'], $score) : $last ?? throw Refusal::missing('on', On::ALLOWED);

        return self::run($recipe, $score, $selection, $book);
    }

    /**
     * The condition chooses among the notes selected, or with none selected among all of the parts named; then each step
     * works on what the one before it left selected. Settings hold until the recipe ends: they are never kept.
     *
     * @throws Refusal of the whole when one step is refused, saying which and why
     */
    public static function run(Recipe $recipe, Score $score, Selection $selection, Book $book = new Book): Outcome
    {
        $book->check($recipe);
        $change = new Change;
        $warnings = $said = [];
        if ($recipe->pick !== null) {
            $selection = self::narrow(Pick::parse($recipe->pick), $score, $selection);
            if ($selection->isEmpty()) {
                return new Outcome($change, $selection, "“{$recipe->name}”: no notes meet its condition. Nothing changed.");
            }
        }
        $count = $selection->count();
        foreach ($recipe->steps as $i => $step) {
            if ($step['off'] ?? false) {
                continue;
            }
            try {
                if (isset($step['set'])) {
                    $score = self::settings($step['set'], $score, $selection);

                    continue;
                }
                $outcome = isset($step['recipe'])
                    ? self::run($book->find($step['recipe']), $score, $selection, $book)
                    : Editor::run($step, $score, $selection);
            } catch (Refusal $refusal) {
                throw new Refusal(sprintf('“%s” was refused at step %d, %s: %s', $recipe->name, $i + 1, self::title($step, $book), $refusal->getMessage()), $refusal->parameter);
            }
            $score = $outcome->change->applyTo($score);
            $change = $change->then($outcome->change);
            $selection = $outcome->selection;
            if (! isset($step['select'])) {
                $said[] = $outcome->said;
            }
            array_push($warnings, ...$outcome->warnings);
        }
        $sentence = match (count($said)) {
            0 => Say::notes($selection->count()).' selected.',
            1, 2 => implode(' ', $said),
            default => sprintf('%s, %d steps. Last: %s', Say::notes($count), count($said), $said[count($said) - 1]),
        };

        return new Outcome($change, $selection, "“{$recipe->name}”: $sentence", array_values(array_unique($warnings)));
    }

    /** @param  array<array-key, mixed>  $step */
    private static function title(array $step, Book $book): string
    {
        return match (true) {
            is_string($step['edit'] ?? null) => Catalogue::edit($step['edit'])::spec()->title,
            is_string($step['recipe'] ?? null) => '“'.(($book->recipes[$step['recipe']] ?? null)->name ?? $step['recipe']).'”',
            isset($step['select']) => 'select',
            default => 'settings',
        };
    }

    private static function narrow(Pick $pick, Score $score, Selection $selection): Selection
    {
        $whole = $selection->isEmpty();
        $ids = [];
        foreach ($selection->notes as $part => $chosen) {
            $found = $pick->of($score->part($part), $score->time);
            $ids[$part] = $whole ? $found : array_values(array_intersect($found, $chosen));
        }

        return new Selection($ids);
    }

    /** @param  array<array-key, mixed>  $set */
    private static function settings(array $set, Score $score, Selection $selection): Score
    {
        foreach (array_keys($selection->notes) as $id) {
            $part = $score->part($id);
            $score = $score->withPart($part->withSettings(($part->settings ?? PartSettings::fresh())->changed($set)));
        }

        return $score;
    }
}

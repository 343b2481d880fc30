<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Whole;

/** Makes the steps of a recipe out of what a person did. */
final class Recording
{
    /**
     * Folds repeats: what adds up is done once with the sum (transpose by 1 five times becomes by 5), and left out where
     * the sum is nothing; settings one after another become one step.
     *
     * @param  list<array<array-key, mixed>>  $steps  as Recipe has them
     * @return list<array<array-key, mixed>>
     */
    public static function fold(array $steps): array
    {
        $folded = [];
        foreach ($steps as $step) {
            $last = array_pop($folded);
            if ($last === null) {
                $folded[] = $step;

                continue;
            }
            array_push($folded, ...self::together($last, $step) ?? [$last, $step]);
        }

        return $folded;
    }

    /**
     * @param  array<array-key, mixed>  $a
     * @param  array<array-key, mixed>  $b
     * @return list<array<array-key, mixed>>|null the one step that both are, or none; null where they stay two
     */
    private static function together(array $a, array $b): ?array
    {
        if (is_array($a['set'] ?? null) && is_array($b['set'] ?? null)) {
            $relative = static fn (array $s): bool => isset($s['turn']) || isset($s['swingBy']) || isset($s['nudgeTurn']) || in_array('toggle', $s, true);

            return $relative($a['set']) || $relative($b['set']) ? null : [['set' => $b['set'] + $a['set']]];
        }
        $edit = $a['edit'] ?? null;
        if (! is_string($edit) || $edit !== ($b['edit'] ?? null) || ! isset(Catalogue::classes()[$edit])) {
            return null;
        }
        foreach (Catalogue::edit($edit)::spec()->params as $param) {
            $has = static fn (array $step): bool => is_array($step['params'] ?? null) && isset($step['params'][$param->name]);
            if ($param->adds && ($param->default !== null || ($has($a) && $has($b)))) {
                return self::sum($param, $edit, is_array($a['params'] ?? null) ? $a['params'] : [], is_array($b['params'] ?? null) ? $b['params'] : []);
            }
        }

        return null;
    }

    /**
     * @param  array<array-key, mixed>  $a
     * @param  array<array-key, mixed>  $b
     * @return list<array<array-key, mixed>>|null
     */
    private static function sum(Param $param, string $edit, array $a, array $b): ?array
    {
        $first = $a[$param->name] ?? $param->default;
        $second = $b[$param->name] ?? $param->default;
        unset($a[$param->name], $b[$param->name]);
        if ($a != $b || ! is_int($first) || ! is_int($second) || ! $param->kind instanceof Whole) {
            return null;
        }
        $sum = $first + $second;
        if ($sum < $param->kind->min || $sum > $param->kind->max) {
            return null;
        }

        return $sum === 0 ? [] : [['edit' => $edit, 'params' => [$param->name => $sum] + $a]];
    }
}

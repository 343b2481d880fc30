<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

/**
 * What tells two states of a set of shortcuts apart: little, where the sets are long. It leads back from the later to the
 * earlier, order and all.
 */
final class Difference
{
    /**
     * @param  list<array<array-key, mixed>>  $earlier
     * @param  list<array<array-key, mixed>>  $later
     * @return array{drop: list<int>, put: list<array{int, array<array-key, mixed>}>}|null places in the later to be left
     *                                                out, and what comes in at which place; null where that does not lead back
     */
    public static function back(array $earlier, array $later): ?array
    {
        $name = static fn (array $binding): string => json_encode($binding, JSON_THROW_ON_ERROR);
        $before = array_map($name, $earlier);
        $places = array_flip($before);
        $stays = self::rising(array_map(static fn (array $binding): int => $places[$name($binding)] ?? -1, $later));
        $difference = ['drop' => array_values(array_diff(array_keys($later), array_keys($stays))), 'put' => []];
        foreach (array_diff(array_keys($earlier), $stays) as $place) {
            $difference['put'][] = [$place, $earlier[$place]];
        }

        return array_map($name, self::apply($later, $difference)) === $before ? $difference : null;
    }

    /**
     * @param  list<array<array-key, mixed>>  $later
     * @param  array{drop: list<int>, put: list<array{int, array<array-key, mixed>}>}  $difference
     * @return list<array<array-key, mixed>>
     */
    public static function apply(array $later, array $difference): array
    {
        $all = array_values(array_diff_key($later, array_flip($difference['drop'])));
        foreach ($difference['put'] as [$place, $binding]) {
            array_splice($all, $place, 0, [$binding]);
        }

        return $all;
    }

    /**
     * The longest run of values that rises, not all beside one another; those below 0 are of none.
     *
     * @param  list<int>  $values
     * @return array<int, int> values by their place
     */
    private static function rising(array $values): array
    {
        $tails = $before = [];
        foreach ($values as $at => $value) {
            if ($value < 0) {
                continue;
            }
            $length = count($tails);
            while ($length > 0 && $values[$tails[$length - 1]] >= $value) {
                $length--;
            }
            $before[$at] = $length === 0 ? null : $tails[$length - 1];
            $tails[$length] = $at;
        }
        $run = [];
        for ($at = $tails === [] ? null : $tails[count($tails) - 1]; $at !== null; $at = $before[$at]) {
            $run[$at] = $values[$at];
        }
        ksort($run);

        return $run;
    }
}

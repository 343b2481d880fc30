<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By the place in its chord. */
final class InChord implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('"top", "bottom" or a rank from below, 1 or more', 'place in its chord', 'choice', 'top', [
            ['the top', 'top'],
            ['the bottom', 'bottom'],
            ['second from below', 2],
            ['third from below', 3],
            ['fourth from below', 4],
        ], rank: 6);
    }

    public static function takes(mixed $value): bool
    {
        return $value === 'top' || $value === 'bottom' || (is_int($value) && $value >= 1);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        $ids = [];
        foreach (Chords::of($input->part->inOrder(), $input->time, $input->part) as $chord) {
            $i = match (true) {
                $value === 'top' => count($chord) - 1,
                is_int($value) => $value - 1,
                default => 0,
            };
            if (isset($chord[$i])) {
                $ids[$chord[$i]->id] = true;
            }
        }

        return FilterInput::among($notes, $ids);
    }
}

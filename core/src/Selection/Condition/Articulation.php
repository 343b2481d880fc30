<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By its articulation. */
final class Articulation implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('its number in the track’s set, or 0 for none', 'articulation, by its number', 'number', 2);
    }

    public static function takes(mixed $value): bool
    {
        return is_int($value) && $value >= 0;
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::where($notes, static fn (Note $n): bool => $n->articulation === $value);
    }
}

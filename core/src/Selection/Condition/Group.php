<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By its group. */
final class Group implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('the number of a group, or true for all that are grouped, or false', 'in a group', 'yes', true);
    }

    public static function takes(mixed $value): bool
    {
        return is_bool($value) || (is_int($value) && $value >= 1);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::where($notes, static fn (Note $n): bool => is_bool($value) ? $n->group > 0 === $value : $n->group === $value);
    }
}

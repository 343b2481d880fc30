<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;
use Jactonic\Core\Selection\Overlaps;

/** By whether it overlaps another of its pitch. */
final class Overlapping implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('true or false', 'overlapping', 'yes', true);
    }

    public static function takes(mixed $value): bool
    {
        return is_bool($value);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::among($notes, Overlaps::ids($input->part->inOrder()), $value === true);
    }
}

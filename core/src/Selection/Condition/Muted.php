<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By whether it is muted. */
final class Muted implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('true or false', 'muted', 'yes', true);
    }

    public static function takes(mixed $value): bool
    {
        return is_bool($value);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::where($notes, static fn (Note $n): bool => $n->muted === $value);
    }
}

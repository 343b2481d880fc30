<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** One of so many, counted in order of time among what all other conditions leave. */
final class Every implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('{"nth": 1 or more, "from": 1 or more}', 'every nth', 'every', ['nth' => 2, 'from' => 1], countsLast: true);
    }

    public static function takes(mixed $value): bool
    {
        return is_array($value) && is_int($value['nth'] ?? null) && $value['nth'] >= 1 && is_int($value['from'] ?? 1) && ($value['from'] ?? 1) >= 1;
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        /** @var array{nth: int, from?: int} $value */
        [$nth, $from] = [$value['nth'], ($value['from'] ?? 1) - 1];

        return array_values(array_filter($notes, static fn (int $i): bool => $i >= $from && ($i - $from) % $nth === 0, ARRAY_FILTER_USE_KEY));
    }
}

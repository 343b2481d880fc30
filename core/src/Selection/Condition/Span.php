<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By whether it starts in a stretch of time. */
final class Span implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('{"from": tick, "to": tick}', 'between beats', 'span', ['from' => 0, 'to' => 3840]);
    }

    public static function takes(mixed $value): bool
    {
        return is_array($value) && is_int($value['from'] ?? null) && is_int($value['to'] ?? null) && $value['from'] <= $value['to'];
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::where($notes, static fn (Note $n): bool => is_array($value) && $n->start >= $value['from'] && $n->start < $value['to']);
    }

    /**
     * A stretch of time as a filter has it.
     *
     * @return array{int, int} its first tick and the one after its last
     *
     * @throws Refusal
     */
    public static function ends(mixed $span): array
    {
        return is_array($span) && is_int($span['from'] ?? null) && is_int($span['to'] ?? null) && $span['from'] <= $span['to']
            ? [$span['from'], $span['to']] : throw Refusal::parameter('pick.span', $span, self::spec()->allowed);
    }
}

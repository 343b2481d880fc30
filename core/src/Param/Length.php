<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Time\Step;

/** How long: a note value such as "1/16", or ticks. In the core's own form it is a step. */
final class Length extends Plain
{
    public function read(mixed $value, string $name): Step
    {
        return Step::ofLength($value, $name);
    }

    public function allowed(): string
    {
        return Step::LENGTH_ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Step ? $value->toLength() : $value;
    }

    public function field(): string
    {
        return 'length';
    }

    public function typed(array $words): ?array
    {
        return str_contains($words[0], '/') || str_contains($words[0], 'bar') ? $this->longest($words, 1) : null;
    }
}

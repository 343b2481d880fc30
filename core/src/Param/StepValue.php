<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Time\Step;

/** A distance to nudge or resize by. */
final class StepValue extends Plain
{
    public function read(mixed $value, string $name): Step
    {
        return Step::parse($value, $name);
    }

    public function allowed(): string
    {
        return Step::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Step ? $value->toArray() : $value;
    }

    public function field(): string
    {
        return 'step';
    }
}

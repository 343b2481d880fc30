<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\Lane;

/** A lane by its name. */
final class LaneValue extends Plain
{
    public function read(mixed $value, string $name): Lane
    {
        return Lane::parse($value, $name);
    }

    public function allowed(): string
    {
        return Lane::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Lane ? $value->name : $value;
    }

    public function field(): string
    {
        return 'text';
    }
}

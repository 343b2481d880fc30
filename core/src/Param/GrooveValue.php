<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Time\Groove;

/** A feel, as Groove::toArray writes it. */
final class GrooveValue extends Plain
{
    public function read(mixed $value, string $name): Groove
    {
        return Groove::fromArray($value, $name);
    }

    public function allowed(): string
    {
        return Groove::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Groove ? $value->toArray() : $value;
    }

    public function field(): string
    {
        return 'groove';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

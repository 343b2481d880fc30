<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

/** What most kinds have in common: written as they are, and asked for in a field without limits. */
abstract class Plain implements Kind
{
    public function write(mixed $value): mixed
    {
        return $value;
    }

    public function limits(): array
    {
        return [];
    }

    public function isAskable(): bool
    {
        return true;
    }
}

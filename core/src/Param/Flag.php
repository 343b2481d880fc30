<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** True or false. */
final class Flag extends Plain
{
    public function read(mixed $value, string $name): bool
    {
        return is_bool($value) ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return 'true or false';
    }

    public function field(): string
    {
        return 'flag';
    }
}

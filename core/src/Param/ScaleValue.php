<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Harmony\Scale;

/** A scale, as a person types it. */
final class ScaleValue extends Plain
{
    public function read(mixed $value, string $name): Scale
    {
        return Scale::parse($value, $name);
    }

    public function allowed(): string
    {
        return Scale::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Scale ? $value->name : $value;
    }

    public function field(): string
    {
        return 'scale';
    }

    public function limits(): array
    {
        return ['shape' => '[A-G][#b♯♭]?(?: [A-Za-z]+)+', 'roots' => Scale::ROOTS, 'kinds' => Scale::names()];
    }

    public function typed(array $words): ?array
    {
        return $this->longest($words, 4);
    }
}

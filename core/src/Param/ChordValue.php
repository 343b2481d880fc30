<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Harmony\Chord;

/** A chord, as a person types it. */
final class ChordValue extends Plain
{
    public function read(mixed $value, string $name): Chord
    {
        return Chord::parse($value, $name);
    }

    public function allowed(): string
    {
        return Chord::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Chord ? $value->name : $value;
    }

    public function field(): string
    {
        return 'chord';
    }

    public function limits(): array
    {
        return ['shape' => '[A-G][#b♯♭]?[-+0-9A-Za-zΔø°#♯♭(),/]*'];
    }

    public function typed(array $words): ?array
    {
        return $this->longest($words, 1);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Harmony\Progression;

/** A progression of chords, as a person types it. */
final class ProgressionValue extends Plain
{
    public function read(mixed $value, string $name): Progression
    {
        return Progression::parse($value, $name);
    }

    public function allowed(): string
    {
        return Progression::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Progression ? $value->text : $value;
    }

    public function field(): string
    {
        return 'chord';
    }

    public function limits(): array
    {
        // More than one chord: a single one is a chord by name.
        return ['shape' => '[^ |]+(?:[ |]+[^ |]+)+'];
    }

    public function typed(array $words): ?array
    {
        // One chord alone is a chord.
        $found = count($words) > 1 ? $this->longest($words, count($words)) : null;

        return $found !== null && $found[1] > 1 ? $found : null;
    }
}

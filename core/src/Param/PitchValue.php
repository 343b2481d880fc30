<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Pitch;

/** A pitch: its number, its name (C2, F#3, Bb1), the name of a drum, or the caret's row. */
final class PitchValue extends Plain
{
    public function read(mixed $value, string $name): int|CaretRow
    {
        $read = match (true) {
            $value === CaretRow::WORD => new CaretRow,
            is_string($value) => Pitch::parse($value),
            default => is_int($value) && $value >= 0 && $value <= 127 ? $value : null,
        };

        return $read ?? throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return 'a whole number from 0 to 127, the name of a pitch (C2, F#3, Bb1; C4 is 60) or of a drum, or caret for the caret’s row';
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof CaretRow ? CaretRow::WORD : $value;
    }

    public function field(): string
    {
        return 'pitch';
    }

    public function limits(): array
    {
        return ['shape' => '[A-G][#b♯♭]?-?[0-9]'];
    }

    public function typed(array $words): ?array
    {
        // A bare number is a number.
        return is_numeric($words[0]) ? null : $this->longest($words, 3);
    }
}

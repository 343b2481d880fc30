<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A whole number. */
final class Whole extends Plain
{
    public function __construct(public readonly int $min, public readonly int $max, private readonly string $unit = '', private readonly string $blank = '')
    {
    }

    public function read(mixed $value, string $name): int
    {
        return is_int($value) && $value >= $this->min && $value <= $this->max ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return sprintf('a whole number from %d to %d%s', $this->min, $this->max, $this->unit === '' ? '' : " $this->unit");
    }

    public function field(): string
    {
        return 'integer';
    }

    public function limits(): array
    {
        return ['min' => $this->min, 'max' => $this->max, 'unit' => $this->unit, 'blank' => $this->blank];
    }

    public function typed(array $words): ?array
    {
        $number = TypedNumber::number($words, $this->unit);

        return $number !== null && $number[0] === floor($number[0]) && $number[0] >= $this->min && $number[0] <= $this->max ? [(int) $number[0], $number[1]] : null;
    }
}

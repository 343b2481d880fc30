<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A number, which may have a fraction; where it says so the word “auto” too, which is to leave it out. */
final class Number extends Plain
{
    public function __construct(private readonly float $min, private readonly float $max, private readonly string $unit = '', private readonly bool $orAuto = false)
    {
    }

    public function read(mixed $value, string $name): ?float
    {
        if ($this->orAuto && $value === 'auto') {
            return null;
        }

        return (is_int($value) || is_float($value)) && $value >= $this->min && $value <= $this->max ? (float) $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return sprintf('a number from %s to %s%s', $this->min, $this->max, $this->unit === '' ? '' : " $this->unit").($this->orAuto ? ', or auto' : '');
    }

    public function field(): string
    {
        return 'number';
    }

    public function limits(): array
    {
        return ['min' => $this->min, 'max' => $this->max, 'unit' => $this->unit] + ($this->orAuto ? ['blank' => 'auto'] : []);
    }

    public function typed(array $words): ?array
    {
        $number = TypedNumber::number($words, $this->unit);

        return $number !== null && $number[0] >= $this->min && $number[0] <= $this->max ? $number : null;
    }
}

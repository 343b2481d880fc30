<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** How many times over: a number, or a fraction such as "2/3". */
final class Ratio extends Plain
{
    private const LEAST = 1 / 64;

    private const MOST = 64;

    public function read(mixed $value, string $name): float
    {
        $read = match (true) {
            is_int($value), is_float($value) => (float) $value,
            is_string($value) && preg_match('/^\s*(\d{1,4})\s*\/\s*(\d{1,4})\s*$/', $value, $parts) === 1 && (int) $parts[2] > 0 => (int) $parts[1] / (int) $parts[2],
            is_string($value) && is_numeric($value) => (float) $value,
            default => 0.0,
        };

        return $read >= self::LEAST && $read <= self::MOST ? $read : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return 'a number or a fraction (2, 0.5, 2/3) from 1/64 to 64';
    }

    public function field(): string
    {
        return 'text';
    }

    public function limits(): array
    {
        return ['shape' => '[0-9]+/[0-9]+'];
    }

    public function typed(array $words): ?array
    {
        return preg_match('/^[\d.\/]+$/', $words[0]) !== 1 ? null : $this->longest($words, 1);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Step;

/** A distance to nudge or resize by. */
final class StepValue extends Plain
{
    /** What units are called when they are typed. */
    private const UNITS = ['ms' => 'ms', 'millisecond' => 'ms', 'tick' => 'ticks', 'sample' => 'samples', 'bar' => 'bar', 'grid' => 'grid', 'cell' => 'grid', 'line' => 'grid'];

    public function read(mixed $value, string $name): Step
    {
        return Step::parse($value, $name);
    }

    public function allowed(): string
    {
        return Step::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Step ? $value->toArray() : $value;
    }

    public function field(): string
    {
        return 'step';
    }

    public function typed(array $words): ?array
    {
        if (preg_match('/^(\d+(?:\.\d+)?)\s*([a-z]*)$/', strtolower($words[0]), $m) === 1) {
            $unit = $m[2] !== '' ? $m[2] : strtolower($words[1] ?? '');
            $known = self::UNITS[rtrim($unit, 's')] ?? self::UNITS[$unit] ?? null;

            return $known === null ? null : [['unit' => $known, 'amount' => (float) $m[1] === floor((float) $m[1]) ? (int) $m[1] : (float) $m[1]], $m[2] !== '' ? 1 : 2];
        }
        try {
            Step::parse($value = ['unit' => 'value', 'amount' => $words[0]], '');

            return [$value, 1];
        } catch (Refusal) {
            return null;
        }
    }
}

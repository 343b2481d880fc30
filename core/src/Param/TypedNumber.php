<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Selection\How;

/** How numbers are typed, the same for all kinds that are numbers. */
final class TypedNumber
{
    /**
     * A number that words begin with: with a sign or none, with its unit behind it or none.
     *
     * @param  non-empty-list<string>  $words
     * @param  string  $unit  of the parameter: a percent sign or "ms" is read where it is that
     * @return array{float, int}|null the number, and how many words it took
     */
    public static function number(array $words, string $unit): ?array
    {
        if (preg_match('/^([+\-−]?)(\d+(?:[.,]\d+)?)(%|[a-z]*)$/u', strtolower($words[0]), $m) !== 1) {
            return null;
        }
        $value = (float) str_replace(',', '.', $m[2]) * ($m[1] === '' || $m[1] === '+' ? 1 : -1);
        $isPercent = str_contains($unit, '%') || str_contains($unit, 'percent');
        $behind = $m[3] !== '' ? $m[3] : (in_array($words[1] ?? '', ['%', 'ms', 'percent'], true) ? $words[1] ?? '' : '');

        return match (true) {
            $behind === '' => [$value, 1],
            $behind === '%' || $behind === 'percent' => $isPercent ? [$value, $m[3] === '' ? 2 : 1] : null,
            default => $behind === $unit ? [$value, $m[3] === '' ? 2 : 1] : null,
        };
    }
}

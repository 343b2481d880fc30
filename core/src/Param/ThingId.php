<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** A track or a part of the song, by its number; a panel lists them by their names. */
final class ThingId extends Plain
{
    /** @param  'track'|'part'  $what */
    public function __construct(private readonly string $what)
    {
    }

    public function read(mixed $value, string $name): int
    {
        return is_int($value) && $value >= 1 ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return "the number of a $this->what of the song, from 1";
    }

    public function field(): string
    {
        return $this->what;
    }

    public function limits(): array
    {
        return ['min' => 1];
    }

    public function typed(array $words): ?array
    {
        $number = TypedNumber::number($words, '');

        return $number !== null && $number[0] === floor($number[0]) && $number[0] >= 1 ? [(int) $number[0], $number[1]] : null;
    }
}

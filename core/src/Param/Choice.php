<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** One of a few words. */
final class Choice extends Plain
{
    /** @param  list<string>  $choices */
    public function __construct(private readonly array $choices)
    {
    }

    public function read(mixed $value, string $name): string
    {
        return is_string($value) && in_array($value, $this->choices, true) ? $value : throw Refusal::parameter($name, $value, $this->allowed());
    }

    public function allowed(): string
    {
        return 'one of '.implode(', ', $this->choices);
    }

    public function field(): string
    {
        return 'choice';
    }

    public function limits(): array
    {
        return ['choices' => $this->choices];
    }

    public function typed(array $words): ?array
    {
        return in_array(strtolower($words[0]), $this->choices, true) ? [strtolower($words[0]), 1] : null;
    }
}

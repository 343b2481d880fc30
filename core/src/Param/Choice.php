<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** One of a few words. */
final class Choice extends Plain
{
    /** @var list<string> */
    private readonly array $choices;

    /** @var array<string, string> what each is called on the screen, where it is not called as it is written */
    private readonly array $labels;

    /** @param  list<string>|array<string, string>  $choices  a list, or the words for each */
    public function __construct(array $choices)
    {
        $labels = [];
        foreach (array_is_list($choices) ? [] : $choices as $value => $words) {
            $labels[(string) $value] = $words;
        }
        $this->choices = array_is_list($choices) ? $choices : array_map(strval(...), array_keys($labels));
        $this->labels = $labels;
    }

    public function read(mixed $value, string $name): string
    {
        // A choice that is a number may come as one.
        $value = is_int($value) ? (string) $value : $value;

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
        return ['choices' => $this->choices, 'labels' => $this->labels];
    }

    public function typed(array $words): ?array
    {
        return in_array(strtolower($words[0]), $this->choices, true) ? [strtolower($words[0]), 1] : null;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

/** What is said of a condition, and the field that it has where a person makes one. */
final readonly class ConditionSpec
{
    /**
     * @param  string  $allowed  the values that it takes, as a refusal names them
     * @param  string  $title  as the list of conditions shows it
     * @param  'range'|'beats'|'pitches'|'tones'|'choice'|'number'|'beat'|'yes'|'every'|'span'  $field  the kind of its field; `beats`, `beat` and `span` show ticks as beats
     * @param  mixed  $first  the value with which its field begins
     * @param  list<array{string, mixed}>  $choices  title and value, for a field of that kind
     * @param  int  $rank  where it stands in the list of conditions: the least first, those of the same by key
     * @param  bool  $countsLast  whether it counts what all others leave
     */
    public function __construct(
        public string $allowed,
        public string $title,
        public string $field,
        public mixed $first,
        public array $choices = [],
        public int $rank = 50,
        public bool $countsLast = false,
    ) {
    }

    /** @return array{title: string, field: string, first: mixed, choices: list<array{string, mixed}>} for the interface */
    public function toArray(): array
    {
        return ['title' => $this->title, 'field' => $this->field, 'first' => $this->first, 'choices' => $this->choices];
    }
}

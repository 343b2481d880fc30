<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;
use Jactonic\Core\Shape;

/** One setting of a part: what it takes, what it starts as, and how a change of it is said. */
final readonly class Setting
{
    /**
     * @param  string  $name  of the property of PartSettings that holds it
     * @param  mixed  $default  as it is written
     * @param  string  $allowed  what it takes, in words
     * @param  array<string, mixed>  $shape  of it as it is written, as JSON Schema
     * @param  \Closure(mixed): mixed  $read  from what is written to what is held; null where it is out of range
     * @param  list<string|bool>  $toggles  the two between which "toggle" turns it
     * @param  (\Closure(PartSettings, PartSettings): string)|null  $words  the change in words, from now and before; null where it says nothing by itself
     */
    public function __construct(
        public string $name,
        public mixed $default,
        public string $allowed,
        private array $shape,
        private \Closure $read,
        public array $toggles = [],
        public ?\Closure $words = null,
        public bool $nullable = false,
    ) {
    }

    /** @return array<string, mixed> of it as it is written, as JSON Schema */
    public function shape(): array
    {
        return $this->nullable ? Shape::nullable($this->shape) : $this->shape;
    }

    /** @throws Refusal when it is out of range */
    public function read(mixed $value): mixed
    {
        if ($value === null && $this->nullable) {
            return null;
        }

        return ($this->read)($value) ?? throw Refusal::parameter($this->name, $value, $this->allowed);
    }
}

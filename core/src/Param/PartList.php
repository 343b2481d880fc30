<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;

/** Parts by their ids. */
final class PartList extends Plain
{
    /** @return non-empty-list<int> */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || $value === [] || array_filter($value, static fn (mixed $id): bool => ! is_int($id) || $id < 1) !== []) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }

        /** @var non-empty-list<int> $value */
        return array_values(array_unique($value));
    }

    public function allowed(): string
    {
        return 'a list of ids of parts, one or more';
    }

    public function field(): string
    {
        return 'parts';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

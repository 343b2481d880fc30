<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\ArticulationSet;

/** A set of articulations: the name of one that ships, one of one's own, or "none". */
final class ArticulationsValue extends Plain
{
    public function read(mixed $value, string $name): ?ArticulationSet
    {
        return $value instanceof ArticulationSet || $value === null || $value === 'none' || $value === '' ? ($value instanceof ArticulationSet ? $value : null) : ArticulationSet::read($value, $name);
    }

    public function allowed(): string
    {
        return ArticulationSet::ALLOWED.', or none';
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof ArticulationSet ? $value->toArray() : $value;
    }

    public function field(): string
    {
        return 'articulations';
    }
}

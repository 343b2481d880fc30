<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\Expression;

/** Points of lanes by name, as a note's own curves are written, at ticks of the song. */
final class CurvesValue extends Plain
{
    public function read(mixed $value, string $name): Expression
    {
        return $value instanceof Expression ? $value : Expression::read($value, $name);
    }

    public function allowed(): string
    {
        return 'an object of lanes (bend, pressure, cc:0 to cc:119) with a list of [tick, value] each';
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Expression ? $value->lanes : $value;
    }

    public function field(): string
    {
        return 'points';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

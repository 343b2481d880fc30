<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\PartClip;

/** Parts that were carried away. */
final class PartClipValue extends Plain
{
    public function read(mixed $value, string $name): PartClip
    {
        return $value instanceof PartClip ? $value : PartClip::read($value, $name);
    }

    public function allowed(): string
    {
        return PartClip::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof PartClip ? $value->toArray() : $value;
    }

    public function field(): string
    {
        return 'clip';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Selection\Conditions;
use Jactonic\Core\Selection\NoteFilter;

/** A condition that notes may meet. */
final class PickValue extends Plain
{
    public function read(mixed $value, string $name): NoteFilter
    {
        return NoteFilter::parse($value);
    }

    public function allowed(): string
    {
        return 'an object with one or more of '.implode(', ', array_keys(Conditions::allowed()));
    }

    public function write(mixed $value): mixed
    {
        return null;
    }

    public function field(): string
    {
        return 'pick';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Score\Lane;
use Jactonic\Core\Standard\GeneralMidi;

/** A lane by its name. */
final class LaneValue extends Plain
{
    public function read(mixed $value, string $name): Lane
    {
        return Lane::parse($value, $name);
    }

    public function allowed(): string
    {
        return Lane::ALLOWED;
    }

    public function write(mixed $value): mixed
    {
        return $value instanceof Lane ? $value->name : $value;
    }

    public function field(): string
    {
        return 'text';
    }

    public function typed(array $words): ?array
    {
        foreach (GeneralMidi::CONTROLLERS as $number => $name) {
            if (strcasecmp($name, $words[0]) === 0) {
                return ["cc:$number", 1];
            }
        }

        return $this->longest($words, 1);
    }
}

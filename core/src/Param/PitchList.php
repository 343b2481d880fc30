<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/** Rows, each a pitch, from below. */
final class PitchList extends Plain
{
    /** @return non-empty-list<int> */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || $value === [] || count(array_unique($value, SORT_REGULAR)) !== count($value)) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }
        foreach ($value as $i => $pitch) {
            if (! is_int($pitch) || $pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                throw Refusal::parameter("{$name}[$i]", $pitch, 'a pitch 0–127');
            }
        }

        return $value;
    }

    public function allowed(): string
    {
        return 'a list of pitches 0–127, one or more, each once';
    }

    public function field(): string
    {
        return 'pitches';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

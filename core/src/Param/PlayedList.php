<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Recording\Event;
use Jactonic\Core\Refusal;

/** What was played: a list of raw events, in seconds. */
final class PlayedList extends Plain
{
    /** @return list<Event> */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) > NoteList::MOST) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }

        return array_map(static fn (mixed $event, int $i): Event => Event::parse($event, "{$name}[$i]"), $value, array_keys($value));
    }

    public function allowed(): string
    {
        return Event::ALLOWED;
    }

    public function field(): string
    {
        return 'played';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\ConditionSpec;

/** By start in ticks of the song. */
final class Start extends InRange
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('a tick or {"min", "max"}', 'start in beats', 'beats', ['min' => 0], rank: 5);
    }

    protected static function of(Note $note): int
    {
        return $note->start;
    }
}

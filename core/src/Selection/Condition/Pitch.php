<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\ConditionSpec;

/** By pitch. */
final class Pitch extends InRange
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('a pitch 0–127 or {"min", "max"}', 'pitch', 'pitches', ['min' => 60], rank: 2);
    }

    protected static function of(Note $note): int
    {
        return $note->pitch;
    }
}

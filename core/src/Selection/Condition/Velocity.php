<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\ConditionSpec;

/** By velocity. */
final class Velocity extends InRange
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('a velocity 1–127 or {"min", "max"}', 'velocity', 'range', ['max' => 59], rank: 1);
    }

    protected static function of(Note $note): int
    {
        return $note->velocity;
    }
}

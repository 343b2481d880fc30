<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\ConditionSpec;

/** By pitch class, in whatever octave. */
final class PitchClass extends InRange
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('a pitch class 0–11 (0 is C) or {"min", "max"}', 'tone', 'tones', 0, rank: 3);
    }

    protected static function of(Note $note): int
    {
        return $note->pitch % 12;
    }
}

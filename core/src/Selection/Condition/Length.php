<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\ConditionSpec;

/** By length in ticks. */
final class Length extends InRange
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('ticks or {"min", "max"}', 'length in beats', 'beats', ['max' => 239], rank: 4);
    }

    protected static function of(Note $note): int
    {
        return $note->length;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\ConditionSpec;
use Jactonic\Core\Selection\FilterInput;

/** By whether it stands on the beat: no farther from the nearest of the meter’s beats than a quarter of a beat. */
final class OnBeat implements Condition
{
    public static function spec(): ConditionSpec
    {
        return new ConditionSpec('true or false', 'on the beat', 'yes', true);
    }

    public static function takes(mixed $value): bool
    {
        return is_bool($value);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        $time = $input->time;

        return FilterInput::where($notes, static function (Note $n) use ($time, $value): bool {
            $bar = $time->meters->barAt($n->start);
            $beat = 4 * $time->ppq / $bar->meter->unit;
            $off = fmod($n->start - $bar->start, $beat);

            return (min($off, $beat - $off) <= $beat / 4) === $value;
        });
    }
}

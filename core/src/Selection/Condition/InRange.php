<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection\Condition;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Condition;
use Jactonic\Core\Selection\FilterInput;
use Jactonic\Core\Selection\Range;

/** A number of a note lies in a range. */
abstract class InRange implements Condition
{
    abstract protected static function of(Note $note): int;

    public static function takes(mixed $value): bool
    {
        return Range::takes($value);
    }

    public static function filter(array $notes, mixed $value, FilterInput $input): array
    {
        return FilterInput::where($notes, static fn (Note $n): bool => Range::holds($value, static::of($n)));
    }
}

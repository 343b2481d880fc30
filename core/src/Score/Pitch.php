<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/** Names of pitches; 60 is C4. */
final class Pitch
{
    private const NAMES = ['C', 'C♯', 'D', 'E♭', 'E', 'F', 'F♯', 'G', 'A♭', 'A', 'B♭', 'B'];

    public static function name(int $pitch): string
    {
        return self::NAMES[$pitch % 12].(intdiv($pitch, 12) - 1);
    }
}

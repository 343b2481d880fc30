<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Time\Timeline;

/** A place as people say it: bar, beat and, where they are told, sixteenth, all counted from 1, and hundredths of a sixteenth. */
final readonly class Position
{
    public function __construct(public string $text)
    {
    }

    /** Whether a text is a bar, with beat, sixteenth and hundredths where they are told. */
    public static function reads(string $text): bool
    {
        return preg_match('/^\d{1,6}(\.\d{1,3}){0,3}$/D', $text) === 1;
    }

    public function tick(Timeline $time): int
    {
        $said = array_map(intval(...), explode('.', $this->text));
        [$bar, $beat, $sixteenth, $hundredths] = $said + [1, 1, 1, 0];
        $at = $time->meters->barNumber(max(0, $bar - 1));
        $within = intdiv(((max(1, $sixteenth) - 1) * 100 + $hundredths) * $time->ppq + 200, 400);

        return $at->start + (max(1, $beat) - 1) * intdiv(4 * $time->ppq, $at->meter->unit) + $within;
    }
}

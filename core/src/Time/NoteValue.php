<?php

declare(strict_types=1);

namespace Jactonic\Core\Time;

/** Lengths in words, as a musician writes them: a note value where it is one, else quarters with two decimals. */
final class NoteValue
{
    /** Values of a whole note, the longest first, and what they are called. */
    private const KINDS = ['' => [1, 1], 'T' => [2, 3], 'D' => [3, 2]];

    private const VALUES = [1, 2, 4, 8, 16, 32, 64, 128];

    /**
     * "1/16", "1/8T", "1/4D", or "0.30 beats", "under 0.01 beats".
     *
     * @param  int  $ticks  0 or more
     */
    public static function words(int $ticks, int $ppq): string
    {
        foreach (self::KINDS as $kind => [$n, $d]) {
            foreach (self::VALUES as $value) {
                if ($ticks * $value * $d === 4 * $ppq * $n) {
                    return "1/$value$kind";
                }
            }
        }
        if ($ticks > 0 && $ticks * 200 < $ppq) {
            return 'under 0.01 beats';
        }
        // Whole numbers, so that the interface rounds alike.
        $hundredths = intdiv(200 * $ticks + $ppq, 2 * $ppq);
        $beats = sprintf('%d.%02d', intdiv($hundredths, 100), $hundredths % 100);

        return $beats.($beats === '1.00' ? ' beat' : ' beats');
    }
}

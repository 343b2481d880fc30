<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Pitch;
use Jactonic\Core\Time\Timeline;

/** The wording that sentences of edits have in common. */
final class Say
{
    /** "1 note", "12 notes". */
    public static function notes(int $n): string
    {
        return $n === 1 ? '1 note' : "$n notes";
    }

    /** A note as a person finds it: "C4 at 3.1.1". */
    public static function note(Note $note, Timeline $time): string
    {
        return Pitch::name($note->pitch).' at '.$time->position($note->start);
    }

    /** A number with a sign: "+5", "−12". */
    public static function signed(int $n): string
    {
        return ($n < 0 ? '−' : '+').abs($n);
    }

    /** A number without needless noughts: "50", "66.67". */
    public static function number(float $n): string
    {
        return rtrim(rtrim(number_format($n, 2, '.', ''), '0'), '.');
    }

    /** Milliseconds to one place where they are few: "0.4 ms", "23 ms". */
    public static function ms(float $ms): string
    {
        return ($ms < 9.95 ? rtrim(rtrim(number_format($ms, 1), '0'), '.') : (string) round($ms)).' ms';
    }
}

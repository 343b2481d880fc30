<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Pitch;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Standard\GeneralMidi;

/** The wording that sentences of edits have in common. */
final class Wording
{
    /** "1 note", "12 notes". */
    public static function notes(int $n): string
    {
        return $n === 1 ? '1 note' : "$n notes";
    }

    /** "1 point", "12 points". */
    public static function points(int $n): string
    {
        return $n === 1 ? '1 point' : "$n points";
    }

    /** "1 part", "5 parts". */
    public static function parts(int $n): string
    {
        return $n === 1 ? '1 part' : "$n parts";
    }

    /** What is selected, counted: "12 notes", "3 points", "12 notes and 3 points". */
    public static function chosen(EditInput $input): string
    {
        [$notes, $points] = [$input->selection->count(), $input->selection->countPoints()];

        return match (true) {
            $points === 0 => self::notes($notes),
            $notes === 0 => self::points($points),
            default => self::notes($notes).' and '.self::points($points),
        };
    }

    /** A note as a person finds it: "C4 at 3.1.1", "Bass Drum 1 at 3.1.1". */
    public static function note(Note $note, Score $score): string
    {
        return self::pitch($note->pitch, $score, $note->channel === GeneralMidi::DRUM_CHANNEL).' at '.$score->time->position($note->start);
    }

    /** A pitch by the name that it has everywhere in the song: as its key spells it, drums by their own. */
    public static function pitch(int $pitch, Score $score, bool $isDrum = false): string
    {
        return ($isDrum ? GeneralMidi::DRUMS[$pitch] ?? null : null) ?? Pitch::name($pitch, $score->sharps());
    }

    /** A text, cut where it is long. */
    public static function shortened(string $text): string
    {
        return mb_strimwidth($text, 0, 60, '…');
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

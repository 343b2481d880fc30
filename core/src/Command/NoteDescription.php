<?php

declare(strict_types=1);

namespace Jactonic\Core\Command;

use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Time\NoteValue;

/** What there is to know of one note, for those who do not see it: the same words as the front end's `numbers.ts` has. */
final class NoteDescription
{
    /** @return list<string> length, velocity, how far off its line in ms, and what else it has */
    public static function of(Note $note, Part $part, Score $score): array
    {
        $line = $score->time->lines($part->settings()->grid, $part->settings()->swing)->nearest($note->start);
        $ms = (int) round($score->time->tempos->milliseconds($line, $note->start));
        $track = $score->tracks[$part->head->track] ?? null;
        $set = $track === null ? null : ArticulationSet::of($track);

        return array_values(array_filter([
            NoteValue::words($note->length, $score->time->ppq),
            "velocity $note->velocity",
            match (true) {
                $note->start === $line => 'on the line',
                $ms === 0 => 'under 1 ms off',
                default => abs($ms).' ms '.($ms > 0 ? 'late' : 'early'),
            },
            $note->muted ? 'muted' : '',
            $note->articulation > 0 && $set !== null ? mb_strtolower($set->at($note->articulation)['name']) : '',
            $note->own === '' ? '' : 'with curves',
        ]));
    }
}

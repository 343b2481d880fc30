<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Chords;

/**
 * Lets each chord sound until the next chord of the selection begins, less a gap. A chord is what lies within the
 * gather window of its first note, so that a strum counts as one; each note keeps its own start, and the next chord
 * begins with its earliest note. `fill` only lengthens, `shorten` only shortens. The last chord is kept, or ends with
 * its bar (the one it is meant for: a sixteenth's half before the line belongs to the new bar), or where the part's
 * last note ends. No note gets shorter than 1 tick. What changes is added to the drift.
 */
final class Legato implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('legato', 'Legato', Family::Length, 'Lets each chord sound until the next begins.', [
            Param::choice('mode', 'What it may do', ['both' => 'lengthen and shorten', 'fill' => 'only lengthen', 'shorten' => 'only shorten'], 'both'),
            Param::choice('tail', 'The last chord', ['bar' => 'to the end of its bar', 'part' => 'to the end of the part', 'keep' => 'as it is'], 'bar'),
            Param::integer('gap', 'Gap before the next', 0, 100_000, 0, 'ticks'),
            Param::gather(),
        ], keeps: true, words: ['sustain notes', 'extend', 'fill', 'gaps', 'next', 'pad', 'length', 'connect'], examples: [[], ['mode' => 'fill', 'tail' => 'part', 'gap' => 30], ['mode' => 'shorten', 'tail' => 'keep']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $gap = $input->params->integer('gap');
        $mode = $input->params->choice('mode');
        $changed = $chordCount = $short = 0;
        foreach ($input->parts() as $part) {
            $chords = Chords::of($part->inOrder($input->selection->notes[$part->id]), $input->time(), $input->gather($part));
            $chordCount += count($chords);
            foreach ($chords as $i => $chord) {
                $end = isset($chords[$i + 1]) ? Chords::start($chords[$i + 1]) - $gap : $this->tail($input, $part, $chord);
                if ($end === null) {
                    continue;
                }
                foreach ($chord as $note) {
                    if (($mode === 'fill' && $end <= $note->end()) || ($mode === 'shorten' && $end >= $note->end())) {
                        continue;
                    }
                    $length = max(1, $end - $note->start);
                    $short += $end - $note->start < 1 ? 1 : 0;
                    $changed += $builder->put($part, $length === $note->length ? $note : $note->retimed($note->start, $length)) ? 1 : 0;
                }
            }
        }
        $outcome = new Outcome($builder->change(), $input->selection, sprintf('%s in %s: %s.', Wording::notes($input->selection->count()),
            $chordCount === 1 ? '1 chord' : "$chordCount chords", $changed === 0 ? 'all reached already' : "$changed now reach the next"));

        return $short === 0 ? $outcome : $outcome->warn(Wording::notes($short).' had no room for the gap and got 1 tick.');
    }

    /** @param  list<Note>  $chord */
    private function tail(EditInput $input, Part $part, array $chord): ?int
    {
        return match ($input->params->choice('tail')) {
            'bar' => $input->time()->meantBar(Chords::start($chord))->end(),
            'part' => $part->lastEnd(),
            default => null,
        };
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Closure;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Selection\Walk;

/** What edits of chords have in common: they work chord by chord on what is selected, or with nothing selected on the chord at the caret. */
final class ChordEdit
{
    /**
     * Gives the notes of each chord other pitches. Refused whole where one would leave 0–127.
     *
     * @param  Closure(non-empty-list<int>): list<int>  $turn  from pitches, from below, to pitches in the same order
     * @param  string  $done  what was done, after "3 chords": "turned up"
     *
     * @throws Refusal
     */
    public static function repitch(EditInput $input, Closure $turn, string $done): Outcome
    {
        $builder = new ChangeBuilder;
        $count = $changed = 0;
        $ids = [];
        foreach ($input->parts() as $part) {
            $chosen = $input->selection->notes[$part->id];
            if ($input->selection->isEmpty()) {
                $chosen = Walk::chordAt(Chords::of($part->inOrder(), $input->time(), $part), $input->context->caret ?? 0);
            }
            $ids[$part->id] = $chosen;
            foreach ($chosen === [] ? [] : Chords::of($part->inOrder($chosen), $input->time(), $input->gather($part)) as $chord) {
                $count++;
                $pitches = array_map(static fn (Note $n): int => $n->pitch, $chord);
                foreach ($pitches === [] ? [] : $turn($pitches) as $i => $pitch) {
                    $changed += PitchEdit::one($input, $builder, $part, $chord[$i], $pitch) ? 1 : 0;
                }
            }
        }
        $chords = $count === 1 ? '1 chord' : "$count chords";

        return new Outcome($builder->change(), new Selection($ids), match (true) {
            $count === 0 => 'There is no chord here: nothing changed.',
            $changed === 0 => "$chords: nothing to change.",
            default => "$chords $done.",
        });
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Harmony\Voicing;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Selection;

/**
 * Puts a chord in by its name: at the caret, to the next chord or bar line, as loud as the pen says, its root as low as the lowest pitch
 * allows. The notes are selected then, and writing goes on after it.
 */
final class InsertChord implements Edit
{
    /** C3: under it chords are mud. */
    public const LOW = 48;

    public static function spec(): Spec
    {
        return new Spec('insert-chord', 'Chord by name', Family::Structure, 'Inserts a chord by its name.', [
            Param::chord('chord', 'Chord'),
            Param::integer('inversion', 'Inversion', 0, 6, 0),
            Param::place('tick', 'At', default: new Word('caret')),
            Param::pitch('low', 'Lowest note', self::LOW),
            Param::integer('spread', 'Notes moved up an octave', 0, 6, 0),
            Param::choice('lasts', 'It lasts', ['next' => 'to the next chord or bar line', 'pen' => 'as long as the pen writes'], 'next'),
            Param::flag('group', 'As a group'),
            Param::integer('velocity', 'Velocity', Note::SOFTEST, Note::LOUDEST, setting: 'penVelocity'),
        ], Requires::Part, ['harmony', 'write', 'type'], [['chord' => 'Gm9/C', 'tick' => 960], ['chord' => 'F#m7b5', 'tick' => 0, 'inversion' => 2, 'velocity' => 40, 'spread' => 1, 'group' => true]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $input->part();
        $chord = $input->params->chord('chord');
        $tick = $input->params->integer('tick');
        $isOfPen = $input->params->choice('lasts') === 'pen';
        $length = $isOfPen ? $part->settings()->penTicks($input->time(), $tick) : self::next($input, $part, $tick) - $tick;
        $ids = $names = [];
        $group = $input->params->flag('group') ? $builder->newGroup($part) : 0;
        foreach (Voicing::opened($chord->pitches($input->params->integer('low'), $input->params->integer('inversion')), $input->params->integer('spread')) as $pitch) {
            if ($pitch < Note::LOWEST) {
                throw new Refusal("$chord->name would go beyond the highest or lowest pitch: nothing was inserted.", 'spread');
            }
            if ($pitch > Note::HIGHEST) {
                throw new Refusal("$chord->name would go beyond the highest or lowest pitch: nothing was inserted.", 'low');
            }
            $note = new Note($builder->newId($part), $tick, $length, $pitch, $input->params->integer('velocity', $part->settings()), group: $group, channel: $input->score->channelOf($part));
            $builder->put($part, $note);
            $ids[] = $note->id;
            $names[] = Wording::pitch($pitch, $input->score);
        }
        $outcome = new Outcome($builder->change(), new Selection([$part->id => $ids]), sprintf('%s at %s: %s.', $chord->name, $input->time()->position($tick), implode(' ', $names)));

        return $outcome->caretAt($isOfPen ? $part->settings()->penGoesOn($input->time(), $tick, $length) : $tick + $length);
    }

    /** Where the next chord of the part begins after a tick, or the next bar, whichever is first. */
    private static function next(EditInput $input, Part $part, int $tick): int
    {
        $starts = array_filter($part->notes->integers('start'), static fn (int $start): bool => $start > $tick);

        return min([$input->time()->meters->barAt($tick)->end(), ...$starts]);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Chance;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Loosens notes by chance: starts by up to `timing` ms, velocities by up to `velocity`, lengths by up to `length` % of
 * themselves. Each offset comes from a bell about the middle, cut at its maximum (which is twice its spread); `bias`
 * moves the middle of the timing from −100 (all the way early) to 100 (all the way late). Each note of a chord is
 * drawn on its own. The bell is also cut at the song's start and at velocities 1 and 127, so that nothing is refused
 * or clipped. The same seed on the same notes gives the same result. What moves is added to the drift.
 */
final class Humanize implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('humanize', 'Humanize', Family::Timing, 'Varies timing, velocity and length at random.', [
            Param::number('timing', 'Timing, at most', 0, 500, 10, 'ms'),
            Param::integer('velocity', 'Velocity, at most', 0, 126, 8),
            Param::integer('length', 'Length, at most', 0, 90, 0, '%'),
            Param::integer('bias', 'Bias, below 0 for early', -100, 100, 0),
            Param::integer('seed', 'Seed', 0, 0x7FFFFFFF, 1),
        ], keeps: true, words: ['random', 'loosen', 'feel', 'chance', 'live'], examples: [[], ['timing' => 40, 'length' => 20, 'bias' => -50, 'seed' => 9]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $tempos = $input->time()->tempos;
        $timing = $input->params->number('timing');
        $velocity = $input->params->integer('velocity');
        $percent = $input->params->integer('length');
        $seed = $input->params->integer('seed');
        $centre = $input->params->integer('bias') / 100 * $timing;
        $chance = new Chance($seed);
        $changed = 0;
        $largest = 0.0;
        foreach ($input->parts() as $part) {
            // In the order of the music: the order in which notes were selected must not matter.
            foreach ($part->inOrder($input->selection->notes[$part->id]) as $note) {
                $ms = $chance->bell($centre, $timing, max(-$timing, -$tempos->milliseconds(0, $note->start)), $timing);
                $louder = $chance->bell(0, $velocity, max(-$velocity, Note::SOFTEST - $note->velocity), min($velocity, Note::LOUDEST - $note->velocity));
                $longer = $chance->bell(0, $percent, -$percent, $percent);
                $start = $ms === 0.0 ? $note->start : max(0, Note::whole($tempos->shift($note->start, $ms)));
                $length = max(1, Note::whole($note->length * (1 + $longer / 100)));
                $largest = max($largest, abs($tempos->milliseconds($note->start, $start)));
                // What is not touched stays as it was, also the end that its file gave it.
                $moved = $start === $note->start && $length === $note->length ? $note : $note->retimed($start, $length);
                $by = (int) round($louder);
                $changed += $builder->put($part, $by === 0 ? $moved : self::louder($moved, $by)) ? 1 : 0;
            }
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s humanized: %d changed, up to %s, seed %d.',
            Wording::notes($input->selection->count()), $changed, Wording::ms($largest), $seed));
    }

    private static function louder(Note $note, int $by): Note
    {
        return $by === 0 ? $note : $note->withVelocity($note->velocity + $by);
    }
}

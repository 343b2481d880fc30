<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;

/** What edits of velocity have in common: rounded, clipped at 1 and 127, and what was clipped counted. */
final class Loudness
{
    /**
     * Gives each chosen note the velocity that a function makes of it.
     *
     * @param  \Closure(Note): float  $velocity
     * @param  string  $done  what was done, after "12 notes": "louder by 5"
     */
    public static function shape(Work $work, \Closure $velocity, string $done): Outcome
    {
        $draft = new Draft;
        $low = $high = 0;
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $wanted = (int) round($velocity($note));
                $low += $wanted < Note::SOFTEST ? 1 : 0;
                $high += $wanted > Note::LOUDEST ? 1 : 0;
                $draft->put($part, $note->withVelocity(max(Note::SOFTEST, min(Note::LOUDEST, $wanted))));
            }
        }
        $outcome = new Outcome($draft->change(), $work->selection, Say::notes($work->selection->count())." $done.");
        foreach ([[$low, Note::SOFTEST], [$high, Note::LOUDEST]] as [$clipped, $at]) {
            $outcome = $clipped === 0 ? $outcome : $outcome->warn(sprintf('%s clipped at %d.', Say::notes($clipped), $at));
        }

        return $outcome;
    }

    /** The mean velocity of the chosen notes. */
    public static function mean(Work $work): float
    {
        $velocities = [];
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $velocities[] = $note->velocity;
            }
        }

        return $velocities === [] ? 0.0 : array_sum($velocities) / count($velocities);
    }
}

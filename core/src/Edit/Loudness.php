<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;

/** What edits of velocity have in common: rounded, clipped at 1 and 127, and what was clipped counted. */
final class Loudness
{
    /**
     * Gives each chosen note the velocity that a function makes of the one it has, outright.
     *
     * @param  \Closure(Note): float  $velocity
     * @param  string  $done  what was done, after "12 notes": "at velocity 70"
     */
    public static function shape(Work $work, \Closure $velocity, string $done): Outcome
    {
        return self::all($work, $velocity, $done, false);
    }

    /**
     * Pushes each chosen note to the velocity that a function makes of the one it was pushed to before: what goes past
     * the limits is carried, so that pushed back all are as they were.
     *
     * @param  \Closure(int, Note): float  $velocity
     * @param  string  $done  what was done, after "12 notes": "louder by 5"
     */
    public static function push(Work $work, \Closure $velocity, string $done): Outcome
    {
        return self::all($work, static fn (Note $n): float => $velocity($n->pushed(), $n), $done, true);
    }

    /** @param  \Closure(Note): float  $velocity */
    private static function all(Work $work, \Closure $velocity, string $done, bool $carries): Outcome
    {
        $draft = new Draft;
        $low = $high = 0;
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $wanted = (int) round($velocity($note));
                $low += $wanted < Note::SOFTEST ? 1 : 0;
                $high += $wanted > Note::LOUDEST ? 1 : 0;
                $draft->put($part, $carries ? $note->pushedTo($wanted) : $note->withVelocity(max(Note::SOFTEST, min(Note::LOUDEST, $wanted))));
            }
        }
        $outcome = new Outcome($draft->change(), $work->selection, Say::notes($work->selection->count())." $done.");
        foreach ([[$low, Note::SOFTEST], [$high, Note::LOUDEST]] as [$clipped, $at]) {
            $outcome = $clipped === 0 ? $outcome : $outcome->warn(sprintf('%s clipped at %d%s.', Say::notes($clipped), $at, $carries ? ', the rest carried' : ''));
        }

        return $outcome;
    }

    /**
     * The mean velocity of the chosen notes.
     *
     * @param  bool  $pushed  of what they were pushed to, past the limits
     */
    public static function mean(Work $work, bool $pushed = false): float
    {
        $velocities = [];
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $velocities[] = $pushed ? $note->pushed() : $note->velocity;
            }
        }

        return $velocities === [] ? 0.0 : array_sum($velocities) / count($velocities);
    }
}

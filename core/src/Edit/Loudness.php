<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;

/**
 * What edits of velocity have in common, and of the values of points, which they shape as well: rounded, clipped at the
 * ends of their range, and what was clipped counted. All are counted in 127ths; the range of a lane is scaled to that, so
 * that one key makes notes louder or a modulation deeper.
 */
final class Loudness
{
    /** How points are spoken of, where the words are those of notes. */
    private const OF_POINTS = ['at the velocity of the pen' => 'as loud as the pen', 'at velocity ' => 'at ', 'of their velocity' => 'of their value', 'toward velocity ' => 'toward ', 'from velocity ' => 'from ', 'louder by' => 'higher by', 'softer by' => 'lower by'];

    /**
     * Gives each note and point that is chosen the value that a function makes of the one it has, outright.
     *
     * @param  \Closure(float, int, Note|Point): float  $value  from the value, the tick and the thing
     * @param  string  $done  what was done, after "12 notes": "at velocity 70"
     * @param  bool  $inOrder  whether the function is called in the order of the music
     */
    public static function shape(Work $work, \Closure $value, string $done, bool $inOrder = false): Outcome
    {
        return self::all($work, $value, $done, false, $inOrder);
    }

    /**
     * Pushes each chosen note to the velocity that a function makes of the one it was pushed to before: what goes past
     * the limits is carried, so that pushed back all are as they were. Points carry nothing.
     *
     * @param  \Closure(float, int, Note|Point): float  $value
     * @param  string  $done  what was done, after "12 notes": "louder by 5"
     */
    public static function push(Work $work, \Closure $value, string $done): Outcome
    {
        return self::all($work, $value, $done, true, false);
    }

    /** @param  \Closure(float, int, Note|Point): float  $value */
    private static function all(Work $work, \Closure $value, string $done, bool $carries, bool $inOrder): Outcome
    {
        $draft = new Draft;
        $low = $high = 0;
        foreach ($work->parts() as $part) {
            foreach ($inOrder ? $part->inOrder($work->selection->notes[$part->id]) : $work->chosen($part) as $note) {
                $wanted = (int) round($value($carries ? $note->pushed() : $note->velocity, $note->start, $note));
                $low += $wanted < Note::SOFTEST ? 1 : 0;
                $high += $wanted > Note::LOUDEST ? 1 : 0;
                $draft->put($part, $carries ? $note->pushedTo($wanted) : $note->withVelocity(max(Note::SOFTEST, min(Note::LOUDEST, $wanted))));
            }
        }
        $clipped = 0;
        foreach ($work->partsOfPoints() as $part) {
            $points = $work->chosenPoints($part);
            if ($inOrder) {
                usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);
            }
            $lane = null;
            foreach ($points as $point) {
                if ($lane !== Lane::of($point)) {
                    $lane = Lane::of($point);
                    [$least, $most] = $lane->range();
                    $unit = ($most - $least) / 127;
                }
                $wanted = (int) round($least + $value(($lane->value($point) - $least) / $unit, $point->tick, $point) * $unit);
                $clipped += $wanted < $least || $wanted > $most ? 1 : 0;
                $draft->putPoint($part, $point->withValue(max($least, min($most, $wanted))));
            }
        }
        $outcome = new Outcome($draft->change(), $work->selection, Say::chosen($work).' '.($work->selection->isEmpty() ? strtr($done, self::OF_POINTS) : $done).'.');
        foreach ([[$low, Note::SOFTEST], [$high, Note::LOUDEST]] as [$count, $at]) {
            $outcome = $count === 0 ? $outcome : $outcome->warn(sprintf('%s clipped at %d%s.', Say::notes($count), $at, $carries ? ', the rest carried' : ''));
        }

        return $clipped === 0 ? $outcome : $outcome->warn(Say::points($clipped).' clipped at the end of the range.');
    }

    /**
     * The mean of what is chosen, in 127ths.
     *
     * @param  bool  $pushed  of what notes were pushed to, past the limits
     */
    public static function mean(Work $work, bool $pushed = false): float
    {
        $values = [];
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $values[] = $pushed ? $note->pushed() : $note->velocity;
            }
        }
        foreach ($work->partsOfPoints() as $part) {
            foreach ($work->chosenPoints($part) as $point) {
                $lane = Lane::of($point);
                [$least, $most] = $lane->range();
                $values[] = ($lane->value($point) - $least) * 127 / ($most - $least);
            }
        }

        return $values === [] ? 0.0 : array_sum($values) / count($values);
    }
}

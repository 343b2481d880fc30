<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Velocities as they are drawn: each note that starts within the drawing gets the value there, between two places of it
 * the way between. Of the selected notes only, where any are selected; else of all notes in the part.
 */
final class VelocityDraw implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-draw', 'Draw velocities', Family::Velocity, 'Gives notes the velocities that were drawn.', [
            Param::points('points', 'Drawn'),
        ], Requires::Part, ['sweep', 'pencil'], [['points' => [[0, 20], [20_000, 120]]]], keeps: true, asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $points = $input->params->points('points');
        foreach ($points as [, $value]) {
            if ($value < Note::SOFTEST || $value > Note::LOUDEST) {
                throw Refusal::parameter('points', $value, 'a velocity from 1 to 127');
            }
        }
        [$first, $last] = [$points[0][0], $points[count($points) - 1][0]];
        $builder = new ChangeBuilder;
        $count = 0;
        $parts = $input->selection->isEmpty() ? [$input->part()] : $input->parts();
        foreach ($parts as $part) {
            $notes = $input->selection->isEmpty() ? $part->shown() : $input->chosen($part);
            foreach ($notes as $note) {
                if ($note->start >= $first && $note->start <= $last) {
                    $builder->put($part, $note->withVelocity((int) round(self::at($points, $note->start))));
                    $count++;
                }
            }
        }

        return new Outcome($builder->change(), $input->selection, $count === 0 ? 'No notes start there: nothing changed.' : sprintf('%s at the velocities drawn.', Wording::notes($count)));
    }

    /** @param  non-empty-list<array{int, int}>  $points  in order of time */
    private static function at(array $points, int $tick): float
    {
        $before = $points[0];
        foreach ($points as $point) {
            if ($point[0] >= $tick) {
                return $point[0] === $before[0] ? $point[1] : $before[1] + ($point[1] - $before[1]) * ($tick - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }
}

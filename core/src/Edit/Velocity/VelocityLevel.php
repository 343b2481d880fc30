<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Loudness;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;

/** Gives all notes the mean of their velocities, rounded. */
final class VelocityLevel implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-level', 'Level velocities', Family::Velocity, 'Gives all notes the mean of their velocities.', takes: [Takes::Notes, Takes::Points], keeps: true, words: ['even', 'velocity', 'flatten', 'equal', 'mean']);
    }

    public function apply(Work $work): Outcome
    {
        $mean = round(Loudness::mean($work));

        return Loudness::shape($work, static fn (): float => $mean, "at velocity $mean");
    }
}

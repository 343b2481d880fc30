<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;

/** Gives all notes the mean of their velocities, rounded. */
final class VelocityEven implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-even', 'Even out velocities', Family::Velocity, 'Gives all notes the mean of their velocities.', takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['level', 'even', 'velocity', 'flatten', 'equal', 'mean'], formerIds: ['velocity-level']);
    }

    public function apply(EditInput $input): Outcome
    {
        $mean = round(VelocityShaping::mean($input));

        return VelocityShaping::shape($input, static fn (): float => $mean, "at velocity $mean");
    }
}

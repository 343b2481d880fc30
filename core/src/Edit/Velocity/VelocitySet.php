<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** Gives all notes one velocity. */
final class VelocitySet implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-set', 'Set velocity', Family::Velocity, 'Gives every note the same velocity.', [
            Param::integer('value', 'Velocity', 1, 127),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['loudness', 'dynamics', 'level', 'fixed'], examples: [['value' => 101]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $value = $input->params->integer('value');

        return VelocityShaping::shape($input, static fn (): float => $value, "at velocity $value");
    }
}

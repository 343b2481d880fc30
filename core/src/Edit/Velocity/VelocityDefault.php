<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Score\Part;

/** Gives all notes the velocity of their part's pen. */
final class VelocityDefault implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-default', 'Reset velocity to the pen’s', Family::Velocity, 'Gives all notes the pen’s velocity.', takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['default', 'velocity', 'reset', 'pen']);
    }

    public function apply(EditInput $input): Outcome
    {
        $pens = [];
        foreach ([...$input->parts(), ...$input->partsOfPoints()] as $part) {
            $pens[] = $part->settings()->penVelocity;
        }

        return VelocityShaping::shape($input, static fn (float $v, int $tick, Part $part): float => $part->settings()->penVelocity, 'at the pen’s velocity, '.implode(', ', array_unique($pens)));
    }
}

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
use Jactonic\Core\Score\Part;

/** Gives all notes the velocity of their part's pen. */
final class VelocityDefault implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-default', 'Velocity of the pen', Family::Velocity, 'Gives all notes the velocity that new notes get.', takes: [Takes::Notes, Takes::Points], keeps: true, words: ['default', 'velocity', 'reset', 'pen']);
    }

    public function apply(Work $work): Outcome
    {
        $pens = [];
        foreach ([...$work->parts(), ...$work->partsOfPoints()] as $part) {
            $pens[] = $part->settings()->penVelocity;
        }

        return Loudness::shape($work, static fn (float $v, int $tick, Part $part): float => $part->settings()->penVelocity, 'at the velocity of the pen, '.implode(', ', array_unique($pens)));
    }
}

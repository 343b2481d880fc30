<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Chance;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;

/**
 * Loosens velocities by chance, up to an amount, from a bell shape cut at its maximum and at 1 and 127, so that nothing is
 * clipped. The same seed on the same notes gives the same result.
 */
final class VelocityRandom implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-random', 'Randomize velocities', Family::Velocity, 'Varies velocities at random.', [
            Param::integer('amount', 'At most', 1, 126, 10),
            Param::integer('seed', 'Seed', 0, 0x7FFFFFFF, 1),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['random', 'velocity', 'chance', 'vary', 'dynamics', 'loosen']);
    }

    public function apply(EditInput $input): Outcome
    {
        $amount = $input->params->integer('amount');
        $chance = new Chance($input->params->integer('seed'));

        // In the order of the music: the order in which notes were selected must not matter.
        return VelocityShaping::shape($input, static fn (float $v, int $tick, Part $part, bool $isNote): float => $v + $chance->bell(0, $amount, max(-$amount, ($isNote ? Note::SOFTEST : 0) - $v), min($amount, Note::LOUDEST - $v)),
            sprintf('randomized by up to %d, seed %d', $amount, $input->params->integer('seed')), true);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;

/** Scales velocities by a share of themselves, so that the relation between notes is kept. Clipping is counted in a warning. */
final class VelocityScale implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-scale', 'Scale velocities by a percentage', Family::Velocity, 'Multiplies every velocity by a percentage.', [
            Param::number('percent', 'Percentage', 1, 1000, 100, '%'),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['relation', 'velocity', 'dynamics', 'percent', 'gain'], forms: [
            ['title' => 'Half as loud', 'params' => ['percent' => 50]],
            ['title' => 'A tenth louder', 'params' => ['percent' => 110]],
            ['title' => 'A tenth softer', 'params' => ['percent' => 90], 'words' => ['quieter']],
        ], examples: [['percent' => 50], ['percent' => 180]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $percent = $input->params->number('percent');

        return VelocityShaping::push($input, static fn (float $v): float => $v * $percent / 100, 'at '.Wording::number($percent).' % of their velocity');
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Loudness;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Scales velocities by a share of themselves, so that the relation between notes is kept. Clipping is counted in a warning. */
final class VelocityScale implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-scale', 'Scale velocities', Family::Velocity, 'Makes every velocity a share of itself.', [
            Param::number('percent', 'Of the present velocity', 1, 1000, 100, '%'),
        ], takes: [Takes::Notes, Takes::Points], keeps: true, words: ['relation', 'velocity', 'dynamics', 'percent', 'gain'], forms: [
            ['title' => 'Half as loud', 'params' => ['percent' => 50]],
            ['title' => 'A tenth louder', 'params' => ['percent' => 110]],
            ['title' => 'A tenth softer', 'params' => ['percent' => 90], 'words' => ['quieter']],
        ], examples: [['percent' => 50], ['percent' => 180]]);
    }

    public function apply(Work $work): Outcome
    {
        $percent = $work->params->number('percent');

        return Loudness::push($work, static fn (float $v): float => $v * $percent / 100, 'at '.Say::number($percent).' % of their velocity');
    }
}

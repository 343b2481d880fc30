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
use Jactonic\Core\Score\Note;

/**
 * Pulls velocities toward a value, or spreads them away from it: new = value + (old − value)·percent/100. Under 100 % pulls
 * together, over 100 % spreads. Without a value it is the mean of the selected notes.
 */
final class VelocityCompress implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-compress', 'Compress or expand velocities', Family::Velocity, 'Moves velocities closer to a value, or away from it.', [
            Param::integer('value', 'Toward', Note::SOFTEST, Note::LOUDEST, optional: true),
            Param::number('percent', 'Remaining spread', 0, 400, 50, '%'),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['compress', 'even out', 'tame', 'velocity', 'expand', 'even', 'spread', 'dynamics', 'toward', 'pull'], forms: [
            ['title' => 'Compress velocities', 'params' => ['percent' => 50], 'words' => ['even out', 'compress', 'tame']],
            ['title' => 'Expand velocities', 'params' => ['percent' => 150], 'words' => ['expand', 'apart']],
        ], examples: [[], ['value' => 80, 'percent' => 200]], formerIds: ['velocity-toward']);
    }

    public function apply(EditInput $input): Outcome
    {
        $value = $input->params->has('value') ? (float) $input->params->integer('value') : VelocityShaping::mean($input, true);
        $percent = $input->params->number('percent');

        return VelocityShaping::push($input, static fn (float $v): float => $value + ($v - $value) * $percent / 100,
            sprintf('%s velocity %s, %s %% of the spread remains', $percent <= 100 ? 'compressed toward' : 'expanded from', Wording::number(round($value, 1)), Wording::number($percent)));
    }
}

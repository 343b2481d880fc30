<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;

/** Moves the first selected note to a tick; all others keep their places from it. Drift travels along. */
final class MoveTo implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('move-to', 'Move to a place', Family::Timing, 'Moves notes together so that the first starts at a place.', [
            Param::place('tick', 'Place'),
            EditInput::lanes(),
        ], keeps: true, words: ['caret', 'send', 'align', 'place'], examples: [['tick' => 5000]]);
    }

    public function apply(EditInput $input): Outcome
    {
        [, $first] = $input->first();
        $tick = $input->params->integer('tick');
        $builder = new ChangeBuilder;
        $input->moveAll($builder, $tick - $first->start - $first->carryStart);

        return new Outcome($builder->change(), $input->selection, sprintf('%s moved to %s.',
            Wording::notes($input->selection->count()), $input->time()->position($tick)));
    }
}

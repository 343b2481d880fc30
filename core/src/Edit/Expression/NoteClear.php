<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Expression;

/** Takes the curves that single notes have of their own away: those of a lane, or all. */
final class NoteClear implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('note-clear', 'Clear the note’s curves', Family::Lane, 'Deletes the curves of the selected notes.', [
            Param::lane('lane', 'Lane', 'all'),
        ], words: ['expression', 'remove', 'straighten'], examples: [[]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $own = $input->params->has('lane') ? Expression::of($note->own)->with($input->params->lane('lane'), [])->text() : '';
                $count += $builder->put($part, $note->own === $own ? $note : $note->with(['own' => $own])) ? 1 : 0;
            }
        }

        return new Outcome($builder->change(), $input->selection, $count === 0 ? 'The selected notes have no curves: nothing changed.' : sprintf('The curves of %s are cleared.', Wording::notes($count)));
    }
}

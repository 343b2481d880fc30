<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Expression;

/** Takes the curves that single notes have of their own away: those of a lane, or all. */
final class NoteClear implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('note-clear', 'Clear what is drawn on the note', Family::Lane, 'Takes the own curves of the chosen notes away.', [
            Param::lane('lane', 'Lane; all where none is named', true),
        ], words: ['expression', 'remove', 'straighten'], examples: [[]], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $own = $work->params->has('lane') ? Expression::of($note->own)->with($work->params->lane('lane'), [])->text() : '';
                $count += $builder->put($part, $note->own === $own ? $note : $note->with(['own' => $own])) ? 1 : 0;
            }
        }

        return new Outcome($builder->change(), $work->selection, $count === 0 ? 'Nothing is drawn on the notes chosen: nothing changed.' : sprintf('What was drawn on %s is cleared.', Say::notes($count)));
    }
}

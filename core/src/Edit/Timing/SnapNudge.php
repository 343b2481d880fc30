<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
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
 * Moves the first selected note to the next line of its part's grid, or with steps below 0 to the one before; all others
 * move as far, so that the group keeps its shape. From between two lines the first step goes to the nearer-lying line
 * that way. Before the song's first line nothing moves. Drift travels along.
 */
final class SnapNudge implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('snap-nudge', 'Snap to the next grid line', Family::Timing, 'Moves notes or points together so that the first is on the next grid line.', [
            Param::integer('steps', 'Lines, below 0 for earlier', -10_000, 10_000, 1),
            EditInput::lanes(),
        ], keeps: true, words: ['snap', 'grid', 'align', 'nudge', 'next line'], examples: [[], ['steps' => 5]], takes: [AppliesTo::Notes, AppliesTo::Points]);
    }

    public function apply(EditInput $input): Outcome
    {
        $place = $input->firstPlace();
        $first = Note::whole($place);
        $part = $input->selection->isEmpty() ? $input->partsOfPoints()[0] : $input->first()[0];
        $lines = $input->lines($part);
        $steps = $input->params->integer('steps');
        $line = $first;
        for ($i = 0; $i < abs($steps); $i++) {
            $line = $steps > 0 ? $lines->after($line) : $lines->before($line);
        }
        $builder = new ChangeBuilder;
        $input->moveAll($builder, $line - $place);
        foreach ($input->partsOfPoints() as $each) {
            foreach ($input->chosenPoints($each) as $point) {
                $builder->putPoint($each, $point->movedTo($point->tick + Note::whole($line - $place)));
            }
        }

        return new Outcome($builder->change(), $input->selection, $line === $first
            ? Wording::chosen($input).': the first is on the song’s first grid line already.'
            : sprintf('%s moved %s to the grid line at %s.', Wording::chosen($input), $line < $first ? 'earlier' : 'later', $input->time()->position($line)));
    }
}

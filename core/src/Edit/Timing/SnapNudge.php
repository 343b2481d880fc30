<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Moves the first chosen note to the next line of its part's grid, or with steps below 0 to the one before; all others
 * move as far, so that the group keeps its shape. From between two lines the first step goes to the nearer-lying line
 * that way. Before the song's first line nothing moves. Drift travels along.
 */
final class SnapNudge implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('snap-nudge', 'Go to the next line', Family::Timing, 'Moves notes or points together until the first stands on the next line.', [
            Param::integer('steps', 'Lines, below 0 for earlier', -10_000, 10_000, 1),
            Work::lanes(),
        ], keeps: true, words: ['snap', 'grid', 'align', 'nudge'], examples: [[], ['steps' => 5]], takes: [Takes::Notes, Takes::Points]);
    }

    public function apply(Work $work): Outcome
    {
        $place = $work->firstPlace();
        $first = Note::whole($place);
        $part = $work->selection->isEmpty() ? $work->partsOfPoints()[0] : $work->first()[0];
        $lines = $work->lines($part);
        $steps = $work->params->integer('steps');
        $line = $first;
        for ($i = 0; $i < abs($steps); $i++) {
            $line = $steps > 0 ? $lines->after($line) : $lines->before($line);
        }
        $builder = new ChangeBuilder;
        $work->moveAll($builder, $line - $place);
        foreach ($work->partsOfPoints() as $each) {
            foreach ($work->chosenPoints($each) as $point) {
                $builder->putPoint($each, $point->movedTo($point->tick + Note::whole($line - $place)));
            }
        }

        return new Outcome($builder->change(), $work->selection, $line === $first
            ? Say::chosen($work).': the first stands on the song’s first line already.'
            : sprintf('%s moved %s to the line at %s.', Say::chosen($work), $line < $first ? 'earlier' : 'later', $work->time()->position($line)));
    }
}

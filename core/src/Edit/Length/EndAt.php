<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Moves the end of each note that starts before a tick to that tick, longer or shorter. Later notes stay as they are. */
final class EndAt implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('end-at', 'End at a place', Family::Length, 'Moves the ends of notes to a tick.', [
            Param::place('tick', 'Place', 1),
        ], keeps: true, words: ['caret', 'extend', 'trim', 'length'], examples: [['tick' => 9000]]);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $tick = $work->params->integer('tick');
        $ended = 0;
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                if ($note->start < $tick) {
                    $builder->put($part, $note->retimed($note->start, $tick - $note->start));
                    $ended++;
                }
            }
        }
        $later = $work->selection->count() - $ended;

        return new Outcome($builder->change(), $work->selection, sprintf('%s %s at %s%s.', Say::notes($ended), $ended === 1 ? 'ends' : 'end',
            $work->time()->position($tick), $later === 0 ? '' : "; $later start there or later and stay"));
    }
}

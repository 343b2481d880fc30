<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;

/** Moves the end of each note that starts before a tick to that tick, longer or shorter. Later notes stay as they are. */
final class EndAt implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('end-at', 'End at a place', Family::Length, 'Moves the ends of notes to a place.', [
            Param::place('tick', 'Place', 1),
        ], keeps: true, words: ['caret', 'extend', 'trim', 'length'], examples: [['tick' => 9000]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $tick = $input->params->integer('tick');
        $ended = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                if ($note->start < $tick) {
                    $builder->put($part, $note->retimed($note->start, $tick - $note->start));
                    $ended++;
                }
            }
        }
        $later = $input->selection->count() - $ended;

        return new Outcome($builder->change(), $input->selection, sprintf('%s %s at %s%s.', Wording::notes($ended), $ended === 1 ? 'ends' : 'end',
            $input->time()->position($tick), $later === 0 ? '' : "; $later start there or later and stay"));
    }
}

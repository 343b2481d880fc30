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

/** Moves the start of each note that ends after a tick to that tick, and the end stays. Earlier notes stay as they are. */
final class StartAt implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('start-at', 'Start at a place', Family::Length, 'Moves the starts of notes to a place; their ends stay.', [
            Param::place('tick', 'Place'),
        ], keeps: true, words: ['caret', 'extend', 'trim', 'length', 'begin'], examples: [['tick' => 240]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $tick = $input->params->integer('tick');
        $started = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                if ($note->end() > $tick) {
                    $builder->put($part, $note->retimed($tick, $note->end() - $tick));
                    $started++;
                }
            }
        }
        $earlier = $input->selection->count() - $started;

        return new Outcome($builder->change(), $input->selection, sprintf('%s %s at %s%s.', Wording::notes($started), $started === 1 ? 'starts' : 'start',
            $input->time()->position($tick), $earlier === 0 ? '' : "; $earlier end there or earlier and stay"));
    }
}

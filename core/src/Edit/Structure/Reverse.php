<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;

/**
 * Turns a phrase round in time: within the stretch from its first start to its last end, ends become starts. Points stand
 * as far from the stretch's end as they stood from its start.
 */
final class Reverse implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('reverse', 'Reverse', Family::Structure, 'Reverses the phrase in time.', words: ['backwards', 'retrograde', 'mirror', 'back to front'], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        [$from, $to] = $input->stretch();
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $end = $note->start + $note->carryStart + $note->length + $note->carryLength;
                $builder->put($part, $note->movedTo($from + $to - $end));
            }
        }
        foreach ($input->partsOfPoints() as $part) {
            foreach ($input->chosenPoints($part) as $point) {
                $builder->putPoint($part, $point->movedTo(max(0, (int) round($from + $to) - $point->tick)));
            }
        }

        return new Outcome($builder->change(), $input->selection, Wording::chosen($input).' reversed.');
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;

/**
 * Turns a phrase round in time: within the stretch from its first start to its last end, ends become starts. Points stand
 * as far from the stretch's end as they stood from its start.
 */
final class Reverse implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('reverse', 'Reverse', Family::Structure, 'Turns the phrase round in time.', words: ['backwards', 'retrograde', 'mirror', 'back to front'], takes: [Takes::Notes, Takes::Points], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        [$from, $to] = $work->stretch();
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $end = $note->start + $note->carryStart + $note->length + $note->carryLength;
                $builder->put($part, $note->movedTo($from + $to - $end));
            }
        }
        foreach ($work->partsOfPoints() as $part) {
            foreach ($work->chosenPoints($part) as $point) {
                $builder->putPoint($part, $point->movedTo(max(0, (int) round($from + $to) - $point->tick)));
            }
        }

        return new Outcome($builder->change(), $work->selection, Say::chosen($work).' reversed.');
    }
}

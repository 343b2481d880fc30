<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Along;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Selection\Selection;

/** Takes notes and points away. Nothing is chosen afterwards, so that the key pressed twice takes nothing more. */
final class Delete implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('delete', 'Delete', Family::Structure, 'Takes the notes or points away.', [Work::lanes()], words: ['remove', 'erase', 'clear', 'notes', 'points'], takes: [Takes::Notes, Takes::Points], panel: '');
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        foreach ($work->parts() as $part) {
            $stretch = Along::stretch($work, $part);
            if ($stretch !== null) {
                Along::clear($builder, $part, ...$stretch);
            }
            foreach ($work->chosen($part) as $note) {
                $builder->drop($part, $note);
            }
        }
        foreach ($work->partsOfPoints() as $part) {
            foreach ($work->chosenPoints($part) as $point) {
                $builder->dropPoint($part, $point);
            }
        }

        return new Outcome($builder->change(), new Selection(array_map(static fn (): array => [], $work->selection->notes)), Say::chosen($work).' deleted.');
    }
}

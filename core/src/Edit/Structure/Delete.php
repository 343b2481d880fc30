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
use Jactonic\Core\Selection\Selection;

/** Takes notes and points away. Nothing is selected afterwards, so that the key pressed twice takes nothing more. */
final class Delete implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('delete', 'Delete', Family::Structure, 'Deletes the notes or points.', [EditInput::lanes()], words: ['remove', 'erase', 'clear', 'notes', 'points'], takes: [AppliesTo::Notes, AppliesTo::Points], panel: '');
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        foreach ($input->parts() as $part) {
            $stretch = LanesUnderNotes::stretch($input, $part);
            if ($stretch !== null) {
                LanesUnderNotes::clear($builder, $part, ...$stretch);
            }
            foreach ($input->chosen($part) as $note) {
                $builder->drop($part, $note);
            }
        }
        foreach ($input->partsOfPoints() as $part) {
            foreach ($input->chosenPoints($part) as $point) {
                $builder->dropPoint($part, $point);
            }
        }

        return new Outcome($builder->change(), new Selection(array_map(static fn (): array => [], $input->selection->notes)), Wording::chosen($input).' deleted.');
    }
}

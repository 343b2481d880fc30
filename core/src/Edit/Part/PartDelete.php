<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Selection\Selection;

/** Takes parts away. What is in them is kept out of sight, so that undo brings them back as they were. */
final class PartDelete implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-delete', 'Delete the part', Family::Part, 'Deletes parts.', [], Requires::Parts, ['remove', 'erase'], takes: [AppliesTo::Parts], contexts: ['song']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $parts = $input->wholeParts();
        foreach ($parts as $part) {
            $builder->head($part, null);
        }

        return new Outcome($builder->change(), Selection::none(), (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))).' deleted.');
    }
}

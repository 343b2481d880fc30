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
use Jactonic\Core\Param\Param;

/** Gives a part another name. */
final class PartRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-rename', 'Rename the part', Family::Part, 'Renames a part.', [
            Param::name('name', 'Name'),
        ], Requires::Parts, ['name', 'title'], [['name' => 'Refrain']], [AppliesTo::Parts], ['song', 'roll'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $name = $input->params->text('name');
        foreach ($input->wholeParts() as $part) {
            $builder->head($part, $part->head->withName($name));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('“%s” is now “%s”.', $input->wholeParts()[0]->name, $name));
    }
}

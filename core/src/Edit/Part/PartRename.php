<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Gives a part another name. */
final class PartRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-rename', 'Rename the part', Family::Part, 'Gives a part another name.', [
            Param::name('name', 'Name'),
        ], Needs::Parts, ['name', 'title'], [['name' => 'Refrain']], [Takes::Parts], ['song', 'roll'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $name = $work->params->text('name');
        foreach ($work->wholeParts() as $part) {
            $builder->head($part, $part->head->withName($name));
        }

        return new Outcome($builder->change(), $work->selection, sprintf('“%s” is now “%s”.', $work->wholeParts()[0]->name, $name));
    }
}

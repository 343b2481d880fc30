<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Moves each part so that it begins on the nearest line of its grid, contents with it. */
final class PartSnap implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-snap', 'Part to the nearest line', Family::Part, 'Moves parts to the nearest line, contents with them.', [
            Param::grid('grid', 'Lines of', setting: 'grid'),
        ], Needs::Parts, ['snap', 'align', 'grid'], [], [Takes::Parts], ['song'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $moved = 0;
        foreach ($work->wholeParts() as $part) {
            $line = $work->time()->lines($work->params->grid('grid', $part->settings()))->nearest($part->head->from);
            $draft->head($part, $part->head->moved($line - $part->head->from));
            $moved += $line === $part->head->from ? 0 : 1;
        }

        return new Outcome($draft->change(), $work->selection, $moved === 0 ? 'They begin on lines already.' : Say::parts($moved).' moved to the nearest line.');
    }
}

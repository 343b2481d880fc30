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
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Time\Lines;

/** Moves each part so that it begins on the nearest line of its grid, contents with it. */
final class PartSnap implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-snap', 'Snap the part to the grid', Family::Part, 'Moves parts with their contents to the nearest grid line.', [
            Param::grid('grid', 'Lines of', setting: 'grid'),
            Param::integer('steps', 'Lines on, below 0 for back; 0 for the nearest', -1000, 1000, 0, adds: true),
        ], Requires::Parts, ['snap', 'align', 'grid'], [], [AppliesTo::Parts], ['song'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $steps = $input->params->integer('steps');
        $parts = $input->wholeParts();
        $lines = fn (Part $part): Lines => $input->time()->lines($input->params->grid('grid', $part->settings()), $part->settings()->swing);
        if ($steps !== 0) {
            usort($parts, static fn (Part $a, Part $b): int => $a->head->from <=> $b->head->from ?: $a->id <=> $b->id);
            $line = $from = $parts[0]->head->from;
            for ($i = 0; $i < abs($steps); $i++) {
                $line = $steps > 0 ? $lines($parts[0])->after($line) : $lines($parts[0])->before($line);
            }
            foreach ($parts as $part) {
                PartContents::move($builder, $part, $line - $from);
            }

            return new Outcome($builder->change(), $input->selection, $line === $from ? 'It begins on the song’s first grid line already.' : sprintf('%s moved to the grid line at %s.', count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts)), $input->time()->position($line)));
        }
        $moved = 0;
        foreach ($parts as $part) {
            $by = $lines($part)->nearest($part->head->from) - $part->head->from;
            PartContents::move($builder, $part, $by);
            $moved += $by === 0 ? 0 : 1;
        }

        return new Outcome($builder->change(), $input->selection, $moved === 0 ? 'They begin on grid lines already.' : Wording::parts($moved).' moved to the nearest grid line.');
    }
}

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
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Sounding\Sounding;

/**
 * Writes what parts play as out as notes and points, and sets it back: what is heard stays the same. Rounds become
 * notes; the window then reaches as far as it sounded. What lay hidden where rounds come to lie is deleted, and counted.
 */
final class PartFlatten implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-flatten', 'Flatten the part', Family::Part, 'Writes what parts play as, and their loops, as notes of their own.', [], Requires::Parts, ['flatten', 'bounce', 'apply', 'unloop', 'write out', 'real'], examples: [], takes: [AppliesTo::Parts], contexts: ['song'], keeps: true, formerIds: ['part-make-real']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $notes = $hidden = $done = 0;
        foreach ($input->wholeParts() as $part) {
            $head = $part->head;
            if ($head->plays->isPlain()) {
                continue;
            }
            $done++;
            $sounding = Sounding::notes($part, $input->time());
            [$from, $to] = PartContents::stretch([$part], $input);
            foreach ($part->notes->all() as $note) {
                if (! $head->holds($note->start) ? $note->start >= $from && $note->start < $to : ! $note->muted) {
                    $hidden += $head->holds($note->start) ? 0 : 1;
                    $builder->drop($part, $note);
                }
            }
            foreach ($part->points->all() as $point) {
                if ($point->tick >= $from && $point->tick < $to) {
                    $builder->dropPoint($part, $point);
                }
            }
            $used = [];
            foreach ($sounding as $note) {
                $builder->put($part, isset($used[$note->id]) ? $note->copiedAs($builder->newId($part)) : $note);
                $used[$note->id] = true;
                $notes++;
            }
            // The end of the window lets go by itself.
            foreach (Sounding::points($part, $input->time()) as $point) {
                if ($point->tick < $to) {
                    $builder->putPoint($part, $point->copiedAs($builder->newPointId($part)));
                }
            }
            $builder->head($part, $head->withWindow($from, $to)->playing(PlaysAs::plain()));
        }
        $outcome = new Outcome($builder->change(), $input->selection, $done === 0 ? 'These parts are flat already.' : sprintf('%s flattened: %s.', Wording::parts($done), Wording::notes($notes)));

        return $hidden === 0 ? $outcome : $outcome->warn(Wording::notes($hidden).' that lay hidden there '.($hidden === 1 ? 'is' : 'are').' deleted.');
    }
}

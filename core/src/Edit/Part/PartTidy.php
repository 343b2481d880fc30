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
use Jactonic\Core\Score\PartHead;

/** Deletes what lies outside the windows of parts, and cuts notes that sound past them; what a lane holds where the
 * window begins is kept there. What was heard is heard as before. */
final class PartTidy implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-tidy', 'Delete what is outside the part', Family::Part, 'Deletes what is outside the windows of parts.', [], Requires::Parts, ['clean', 'outside', 'hidden', 'tidy'], examples: [], takes: [AppliesTo::Parts], contexts: ['song'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $parts = $input->wholeParts();
        $gone = $cut = 0;
        foreach ($parts as $part) {
            [$from, $to] = [$part->head->from, $part->head->to];
            foreach ($part->notes->all() as $note) {
                if (! $part->head->holds($note->start)) {
                    $builder->drop($part, $note);
                    $gone++;
                } elseif ($to !== PartHead::OPEN && $note->end() > $to) {
                    $builder->put($part, $note->piece($note->start, $to, $note->id));
                    $cut++;
                }
            }
            $state = PartContents::state($part, $from);
            foreach ($part->points->all() as $point) {
                if (in_array($point, $state, true)) {
                    $builder->putPoint($part, $point->movedTo($from));
                } elseif (! $part->head->holds($point->tick)) {
                    $builder->dropPoint($part, $point);
                    $gone++;
                }
            }
        }

        return new Outcome($builder->change(), $input->selection, $gone + $cut === 0 ? 'Nothing is outside.' : sprintf('%d outside deleted%s.', $gone, $cut === 0 ? '' : ', '.Wording::notes($cut).' cut'));
    }
}

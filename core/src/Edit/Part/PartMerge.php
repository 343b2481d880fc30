<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Selection\Selection;

/**
 * Makes one part out of parts of several tracks, on the track of the first: what they are heard as goes in, channels are
 * kept, and the parts go. What they sound as stays, since each note keeps its channel.
 */
final class PartMerge implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-merge', 'Merge parts of several tracks', Family::Part, 'Merges parts of several tracks into one part.', [], Requires::Parts, ['merge', 'together', 'collect', 'mixdown', 'unite'], examples: [], takes: [AppliesTo::Parts], contexts: ['song'], formerIds: ['part-unite']);
    }

    public function apply(EditInput $input): Outcome
    {
        $parts = $input->wholeParts();
        if (count($parts) < 2) {
            return new Outcome(new Change, $input->selection, 'Select two parts or more to merge them: nothing changed.');
        }
        usort($parts, static fn (Part $a, Part $b): int => $a->head->from <=> $b->head->from ?: $a->id <=> $b->id);
        $order = array_flip(array_keys($input->score->tracks));
        usort($parts, static fn (Part $a, Part $b): int => $order[$a->head->track] <=> $order[$b->head->track]);
        $builder = new ChangeBuilder;
        [$from, $to] = PartContents::stretch($parts, $input);
        $into = $builder->newPart($input->score, PartHead::fresh($parts[0]->head->track, $parts[0]->name, $from, $to), $parts[0]->ownSettings());
        $leftOut = 0;
        foreach ($parts as $part) {
            $leftOut += PartContents::heard($builder, $part, $into, $input);
            $builder->head($part, null);
        }

        return PartContents::withoutPoints(new Outcome($builder->change(), new Selection(parts: [$into->id]), sprintf('%s merged into “%s”.', Wording::parts(count($parts)), $into->name)), $leftOut);
    }
}

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
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PlaysAs;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Sounding\Sounding;

/** Joins the selected parts of each track into one, gaps silent; a part selected alone is joined with the next of its
 * track. Only what is heard of the later ones goes in; what they play as, and their rounds, are written out. */
final class PartJoin implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-join', 'Join parts', Family::Part, 'Joins parts of a track into one.', [], Requires::Parts, ['glue', 'merge', 'together'], examples: [], takes: [AppliesTo::Parts], contexts: ['song']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $ids = [];
        $joined = $leftOut = 0;
        $byTrack = [];
        foreach ($input->wholeParts() as $part) {
            $byTrack[$part->head->track][$part->id] = $part;
        }
        foreach ($byTrack as $track => $chosen) {
            $parts = array_values(array_filter($input->score->partsOf($track), static fn (Part $p): bool => isset($chosen[$p->id])));
            if (count($parts) === 1) {
                $later = array_values(array_filter($input->score->partsOf($track), static fn (Part $p): bool => $p->id !== $parts[0]->id && $p->head->from >= $parts[0]->head->from));
                $parts = [...$parts, ...array_slice($later, 0, 1)];
            }
            $first = array_shift($parts) ?? throw new \LogicException('A track named by a part has that part.');
            if ($parts === []) {
                $ids[] = $first->id;

                continue;
            }
            [$from, $to] = PartContents::stretch([$first, ...$parts], $input);
            $muted = ! in_array(false, array_map(static fn (Part $p): bool => $p->head->muted, [$first, ...$parts]), true);
            if ($first->head->plays->isPlain() && $first->head->muted === $muted) {
                self::openEnd($builder, $first);
                $builder->head($first, $first->head->withWindow(min($from, $first->head->from), $to));
                $into = $first;
            } else {
                // What it plays as is its alone: it is written out, so that the others are not bound by it.
                $into = $builder->newPart($input->score, $first->head->playing(PlaysAs::plain())->withMuted($muted)->withWindow($from, $to), $first->ownSettings());
                $leftOut += PartContents::heard($builder, $first, $into, $input);
                $builder->head($first, null);
            }
            $ids[] = $into->id;
            foreach ($parts as $part) {
                $leftOut += PartContents::heard($builder, $part, $into, $input);
                $builder->head($part, null);
                $joined++;
            }
        }

        return PartContents::withoutPoints(new Outcome($builder->change(), new Selection(parts: $ids), $joined === 0 ? 'There is no part after it to be joined with: nothing changed.' : sprintf('%s joined into %s.', Wording::parts($joined + count($ids)), count($ids) === 1 ? 'one' : Wording::parts(count($ids)))), $leftOut);
    }

    /** Takes out what lay hidden past the end of a part, which would be heard when it gets longer, and writes out what lets go there. */
    private static function openEnd(ChangeBuilder $builder, Part $part): void
    {
        foreach ($part->notes->all() as $note) {
            if ($note->start >= $part->head->to) {
                $builder->drop($part, $note);
            } elseif ($note->end() > $part->head->to) {
                $builder->put($part, $note->piece($note->start, $part->head->to, $note->id));
            }
        }
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $part->head->to) {
                $builder->dropPoint($part, $point);
            }
        }
        foreach (Sounding::letGo($part) as $point) {
            $builder->putPoint($part, $point->copiedAs($builder->newPointId($part)));
        }
    }
}

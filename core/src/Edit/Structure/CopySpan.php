<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Cut;
use Jactonic\Core\Selection\Selection;

/**
 * Copies what sounds inside a span to another place, by default right after it: the selected notes, or with none selected
 * all. Notes that cross the span's edges are cut there in the copy; they themselves stay. Copies become the selection.
 */
final class CopySpan implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('copy-span', 'Copy the span', Family::Structure, 'Copies what is in a span, cut at its edges, to another place.', [
            Param::place('from', 'Span from', default: new Word('span-start')),
            Param::place('to', 'Span to', 1, new Word('span-end')),
            Param::place('at', 'Copied to', optional: true),
        ], Requires::Part, ['duplicate', 'range', 'time', 'silence'], [['from' => 960, 'to' => 5000], ['from' => 2000, 'to' => 2900, 'at' => 0]]);
    }

    public function apply(EditInput $input): Outcome
    {
        [$from, $to] = [$input->params->integer('from'), $input->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a tick after from');
        }
        $shift = ($input->params->has('at') ? $input->params->integer('at') : $to) - $from;
        $builder = new ChangeBuilder;
        $ids = [];
        foreach ($input->parts() as $part) {
            $ids[$part->id] = [];
            foreach (Cut::inside($input->chosenOrAll($part), $from, $to) as $note) {
                $copy = $builder->regrouped($part, $note->copiedAs($builder->newId($part))->movedTo($note->start + $note->carryStart + $shift));
                $builder->put($part, $copy);
                $ids[$part->id][] = $copy->id;
            }
        }
        $selection = new Selection($ids);

        return new Outcome($builder->change(), $selection, $selection->isEmpty()
            ? 'Nothing sounds in the span: nothing was copied.'
            : sprintf('%s of the span copied to %s.', Wording::notes($selection->count()), $input->time()->position($from + $shift)));
    }
}

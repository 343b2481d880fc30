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
use Jactonic\Core\Selection\Selection;

/**
 * Takes away what sounds inside a span: of the selected notes, or with none selected of all. Notes that cross the span's
 * edges are cut there, and what lies outside stays; one that reaches over both becomes two. Time stays as it is.
 */
final class CutSpan implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('cut-span', 'Cut the span out', Family::Structure, 'Deletes what is in a span; notes are cut at its edges.', [
            Param::place('from', 'Span from', default: new Word('span-start')),
            Param::place('to', 'Span to', 1, new Word('span-end')),
            EditInput::lanes(),
        ], Requires::Part, ['delete', 'range', 'clear', 'remove'], [['from' => 960, 'to' => 9000], ['from' => 4000, 'to' => 9100]]);
    }

    public function apply(EditInput $input): Outcome
    {
        [$from, $to] = [$input->params->integer('from'), $input->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a tick after from');
        }
        $builder = new ChangeBuilder;
        $touched = 0;
        $left = [];
        $all = $input->selection->isEmpty();
        foreach ($input->parts() as $part) {
            $left[$part->id] = [];
            if ($all && $input->params->choice('lanes', $part->ownSettings()) === 'along') {
                LanesUnderNotes::clear($builder, $part, $from, $to);
            }
            foreach ($input->chosenOrAll($part) as $note) {
                if ($note->start >= $to || $note->end() <= $from) {
                    if (! $all) {
                        $left[$part->id][] = $note->id;
                    }

                    continue;
                }
                $touched++;
                $before = $note->start < $from ? $note->piece($note->start, $from, $note->id) : null;
                $after = $note->end() > $to ? $note->piece($to, $note->end(), $before === null ? $note->id : $builder->newId($part)) : null;
                if ($before === null && $after === null) {
                    $builder->drop($part, $note);
                }
                foreach ([$before, $after] as $piece) {
                    if ($piece !== null) {
                        $builder->put($part, $piece);
                        $all ?: $left[$part->id][] = $piece->id;
                    }
                }
            }
        }

        return new Outcome($builder->change(), new Selection($left), $touched === 0
            ? 'Nothing sounds in the span: nothing changed.'
            : sprintf('The span is cut out of %s.', Wording::notes($touched)));
    }
}

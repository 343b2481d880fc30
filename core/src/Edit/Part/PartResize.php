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
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/** Moves an edge of parts by steps, as `resize` does with notes, or to a place: what is heard of them changes, no note is
 * touched. A window is never shorter than a tick: refused whole. */
final class PartResize implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-resize', 'Resize the part', Family::Part, 'Moves an edge of parts; the notes stay.', [
            Param::choice('edge', 'Edge', ['end', 'start'], 'end'),
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
            Param::place('to', 'To a place', optional: true),
            Param::choice('next', 'To an edge of another part', ['none', 'next', 'previous'], 'none'),
        ], Requires::Parts, ['trim', 'window', 'edge', 'length'], [['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]], ['edge' => 'start', 'to' => 500]], [AppliesTo::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Part longer', 'params' => ['steps' => 1]], ['title' => 'Part shorter', 'params' => ['steps' => -1]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $parts = $input->wholeParts();
        $isStart = $params->choice('edge') === 'start';
        $builder = new ChangeBuilder;
        foreach ($parts as $part) {
            [$from, $to] = [$part->head->from, PartContents::end($part, $input)];
            $edge = $isStart ? $from : $to;
            $moved = match (true) {
                $params->has('to') => $params->integer('to'),
                $params->choice('next') !== 'none' => EdgeStep::from($edge, $params->choice('next') === 'next', $input, $input->selection->parts)
                    ?? throw new Refusal('No other part has an edge that way: nothing changed.', 'next'),
                default => Note::whole($edge + $params->step('by', $part->settings())->distance($input->time(), $input->lines($part), $params->integer('steps'), $edge)),
            };
            [$from, $to] = $isStart ? [$moved, $to] : [$from, $moved];
            if ($from < 0 || $to <= $from) {
                throw new Refusal(sprintf('“%s” would have no length: nothing changed.', $part->name), $params->has('to') ? 'to' : 'steps');
            }
            $builder->head($part, $part->head->withWindow($from, $to));
        }
        $first = $builder->change()->parts[$parts[0]->id]->head->after ?? $parts[0]->head;

        return new Outcome($builder->change(), $input->selection, sprintf('%s now %s %s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))), $isStart ? 'begins at' : 'ends at', $input->time()->position($isStart ? $first->from : $first->to)));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Structure\LanesUnderNotes;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Cut;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Selection\LanePoints;
use Jactonic\Core\Selection\TargetReader;
use Jactonic\Core\Shape;

/**
 * What is carried away to be put in elsewhere: notes as `insert` takes them, and their anchor: the place among them that
 * goes where they are put, a span's start or the line of the grid nearest to the first. So a phrase that lies a little
 * off the line does so again. With a span, they are cut at its edges; with no notes selected, all that sounds in it.
 */
final class Clip implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('clip', 'Copied notes', Family::Structure, 'The selected notes, or those in the span, to paste elsewhere.', [
            Param::place('from', 'Span from', optional: true), Param::place('to', 'Span to', 1, optional: true),
        ], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object([
            'notes' => Shape::list(Shape::map(Shape::either(Shape::number(), Shape::flag(), Shape::text()))),
            'anchor' => Shape::told('The tick that is put at the caret when it is pasted.', Shape::whole()),
            'length' => Shape::whole(0),
            'points' => Shape::told('Of lanes under them, or those selected, by lane: tick and value.', Shape::map(Shape::list(Shape::row(Shape::whole(), Shape::whole())))),
        ]);
    }

    public function read(EditInput $input): array
    {
        if ($input->selection->partIds() === []) {
            throw Refusal::missing('on', TargetReader::ALLOWED);
        }
        if ($input->selection->points !== [] && $input->selection->notes === []) {
            return $this->ofPoints($input);
        }
        $part = $input->partOfChosen();
        $span = $input->params->has('from') && $input->params->has('to') ? [$input->params->integer('from'), $input->params->integer('to')] : null;
        $ids = $input->selection->notes[$part->id] ?? [];
        $notes = $ids === [] && $span === null ? [] : $part->inOrder($ids === [] ? null : $ids);
        if ($span !== null) {
            $notes = Cut::inside($notes, ...$span);
        }
        $starts = array_map(static fn (Note $n): int => $n->start, $notes);
        $ends = array_map(static fn (Note $n): int => $n->end(), $notes);
        $anchor = $span[0] ?? ($starts === [] ? 0 : $input->lines($part)->nearest(min($starts)));

        $lanes = $part->ownSettings()?->lanes === 'stay' ? null : ($span ?? LanesUnderNotes::under($part, array_map(static fn (Note $n): int => $n->id, array_values($notes))));

        return ['notes' => array_map(Table::notes()->given(...), $notes), 'anchor' => $anchor, 'length' => max(0, ($span[1] ?? ($ends === [] ? 0 : max($ends))) - $anchor),
            'points' => $lanes === null ? (object) [] : (object) LanesUnderNotes::curves($part, ...$lanes)->lanes];
    }

    /**
     * The points selected, or with none selected those in the span. What holds where a span begins is among them.
     *
     * @return array<string, mixed>
     */
    private function ofPoints(EditInput $input): array
    {
        $part = $input->part();
        $lane = $input->lane();
        $points = $input->chosenPoints($part);
        $span = $points === [] && $input->params->has('from') && $input->params->has('to') ? [$input->params->integer('from'), $input->params->integer('to')] : null;
        $copied = [];
        if ($span !== null) {
            $held = LaneCurve::heldAt($part, $lane, $input->score->channelOf($part), $span[0]);
            $copied = $held === null ? [] : [$span[0] => $held];
            $points = array_filter(LanePoints::of($part, $lane), static fn (Point $p): bool => $p->tick >= $span[0] && $p->tick < $span[1]);
        }
        foreach ($points as $point) {
            $copied[$point->tick] = $lane->value($point);
        }
        ksort($copied);
        $ticks = array_keys($copied);
        $lines = $input->lines($part);
        $anchor = $span[0] ?? ($ticks === [] ? 0 : $lines->nearest($ticks[0]));
        $end = $span[1] ?? ($ticks === [] ? 0 : $lines->after($ticks[count($ticks) - 1]));

        return ['notes' => [], 'anchor' => $anchor, 'length' => max(0, $end - $anchor), 'points' => $copied === [] ? (object) [] : (object) [$lane->name => array_map(static fn (int $tick, int $value): array => [$tick, $value], $ticks, $copied)]];
    }
}

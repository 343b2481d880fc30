<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Lines;

/**
 * Copies after themselves: each copy stands a musical length after the one before, never the raw length, so that a
 * phrase off the grid does not drift. `cells`: from the line nearest to the first start to the last end, rounded up to
 * whole cells (of the straight grid). `bars`: from the first start's bar, likewise in whole bars. `auto`: bars for notes that
 * span more than a bar, cells for others. `span`: the length from `from` to `to`, else of the span, its silence included. An
 * end that rings at most SLACK of a cell over counts as on the line, of bars half a sixteenth, and a note played at most so
 * much early as in the bar it is early for. Copies become the selection; with them goes how they were played.
 */
final class Repeat implements Edit
{
    /** Share of a cell. */
    private const SLACK = 0.125;

    private const MOST_COPIES = 200_000;

    public static function spec(): Spec
    {
        return new Spec('repeat', 'Repeat', Family::Structure, 'Repeats the notes, each copy a musical length later.', [
            Param::integer('times', 'Times', 1, 64, 1),
            Param::choice('every', 'Every', ['auto' => 'whole bars, short ones whole cells', 'cells' => 'whole grid cells', 'bars' => 'whole bars', 'span' => 'the span'], 'auto'),
            Param::place('from', 'Span from', optional: true),
            Param::place('to', 'Span to', 1, optional: true),
            EditInput::lanes(),
        ], words: ['duplicate', 'copy', 'again', 'loop'], takes: [AppliesTo::Notes, AppliesTo::Points], examples: [[], ['times' => 3, 'every' => 'bars'], ['every' => 'span', 'from' => 960, 'to' => 5000]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $times = $params->integer('times');
        if ($times * ($input->selection->count() + $input->selection->countPoints()) > self::MOST_COPIES) {
            throw Refusal::parameter('times', $times, sprintf('fewer: %d copies at most', self::MOST_COPIES));
        }
        [$shifts, $said] = $this->shifts($input, $times);
        $builder = new ChangeBuilder;
        $ids = [];
        foreach ($input->parts() as $part) {
            $stretch = LanesUnderNotes::stretch($input, $part);
            $curves = $stretch === null ? null : LanesUnderNotes::curves($part, ...$stretch);
            foreach ($shifts as $shift) {
                if ($stretch !== null && $curves !== null) {
                    LanesUnderNotes::put($builder, $input, $part, $curves, $shift, $stretch[0] + $shift, $stretch[1] + $shift);
                }
                foreach ($input->chosen($part) as $note) {
                    $copy = $builder->regrouped($part, $note->copiedAs($builder->newId($part))->movedTo($note->start + $note->carryStart + $shift), $shift);
                    $builder->put($part, $copy);
                    $ids[$part->id][] = $copy->id;
                }
            }
        }
        $points = [];
        foreach ($input->partsOfPoints() as $part) {
            foreach (array_filter($input->selection->points[$part->id]) as $name => $chosen) {
                $points[$part->id][$name] = self::copied($builder, $part, Lane::parse($name), array_map(static fn (int $id): Point => $part->points[$id], $chosen), $shifts);
            }
        }
        if ($input->firstPlace() + $shifts[count($shifts) - 1] > PHP_INT_MAX >> 20) {
            throw new Refusal('A copy would lie past the end of time: nothing was copied.', 'times');
        }

        return new Outcome($builder->change(), new Selection($ids, $points), sprintf('%s repeated%s, every %s.', Wording::chosen($input), $times === 1 ? '' : ", $times times", $said));
    }

    /**
     * Copies points of a lane; each copy replaces what lies from the first of its points to the last.
     *
     * @param  non-empty-list<Point>  $points
     * @param  non-empty-list<int>  $shifts
     * @return list<int> ids of the copies
     */
    private static function copied(ChangeBuilder $builder, Part $part, Lane $lane, array $points, array $shifts): array
    {
        [$first, $last] = [min(array_map(static fn (Point $p): int => $p->tick, $points)), max(array_map(static fn (Point $p): int => $p->tick, $points))];
        $ids = [];
        foreach ($shifts as $shift) {
            // What is repeated stays, also where a copy begins before it ends.
            foreach ($part->points->all() as $old) {
                if ($lane->holds($old) && $old->status === $points[0]->status && $old->tick >= $first + $shift && $old->tick <= $last + $shift && ! in_array($old, $points, true)) {
                    $builder->dropPoint($part, $old);
                }
            }
            foreach ($points as $point) {
                $copy = $point->copiedAs($builder->newPointId($part))->movedTo($point->tick + $shift);
                $builder->putPoint($part, $copy);
                $ids[] = $copy->id;
            }
        }

        return $ids;
    }

    /**
     * How far each copy stands from the notes, and the distance in words.
     *
     * @return array{non-empty-list<int>, string}
     */
    private function shifts(EditInput $input, int $times): array
    {
        $params = $input->params;
        $part = $input->selection->isEmpty() ? $input->part() : $input->first()[0];
        [$first, $last] = array_map(Note::whole(...), $input->stretch());
        if ($input->selection->isEmpty()) {
            // The last point holds on, to the next line.
            $last = (int) $input->lines($part)->after($last);
        }
        $every = $params->choice('every');
        if ($every === 'span') {
            [$from, $to] = $params->has('from') || $params->has('to') ? [$params->integer('from'), $params->integer('to')] : $input->context->span();
            $length = $to - $from;
            if ($length <= 0) {
                throw Refusal::parameter('to', $to, 'a tick after from');
            }

            return [array_map(static fn (int $i): int => $i * $length, range(1, $times)), 'span'];
        }
        $own = $input->lines($part)->grid;
        $meters = $input->time()->meters;
        $slack = $input->time()->early();
        $meant = $input->time()->meantBar($first);
        $isLong = $every === 'auto' && $last - $first > $meant->end() - $meant->start;
        if ($every === 'bars' || $own->isBars() || $isLong) {
            $bars = $own->isBars() && $every !== 'bars' ? $own->bars : 1;
            $from = $meant->index;
            $to = $meters->barAt(max($first, $last - 1 - $slack))->index + 1;
            $count = max(1, (int) ceil(($to - $from) / $bars) * $bars);
            $origin = $meters->barNumber($from)->start;

            return [array_map(static fn (int $i): int => $meters->barNumber($from + $i * $count)->start - $origin, range(1, $times)), $count === 1 ? 'bar' : "$count bars"];
        }
        $cell = $input->time()->lines($own, Lines::STRAIGHT)->cell($first);
        $begin = $input->time()->lines($own, Lines::STRAIGHT)->nearest($first);
        $cells = max(1, (int) ceil(($last - $begin) / $cell - self::SLACK));

        return [array_map(static fn (int $i): int => Note::whole($i * $cells * $cell), range(1, $times)), $cells === 1 ? $own->name : "$cells × $own->name"];
    }
}

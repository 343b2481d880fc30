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
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Selection\Selection;

/**
 * Takes time out from one place to another: what stands after goes earlier. In the whole song, tempos, meters and markers
 * go along; else only the selected parts. Notes in the stretch go, and are counted; notes across it are shortened. What the
 * lanes held at its end holds from there on.
 */
final class RemoveTime implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('remove-time', 'Remove time', Family::Part, 'Removes the span and closes the gap.', [
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
            Param::choice('in', 'In', ['song' => 'the whole song', 'parts' => 'the selected parts'], 'song'),
        ], Requires::Song, ['cut', 'delete bars', 'close up', 'shorten'], [['from' => 1920, 'to' => 3840]], [AppliesTo::Parts], ['song'], forms: [
            ['title' => 'Remove time from the selected parts', 'params' => ['in' => 'parts']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        [$from, $to] = [$input->params->integer('from'), $input->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $whole = $input->params->choice('in') === 'song';
        $parts = $whole ? $input->score->parts : $input->wholeParts();
        if (! $whole && $parts === []) {
            return new Outcome(new Change, $input->selection, 'No parts are selected: nothing changed.');
        }
        $builder = new ChangeBuilder;
        $gone = $notes = 0;
        foreach ($parts as $part) {
            $head = $part->head;
            if ($head->from >= $to) {
                PartContents::move($builder, $part, $from - $to);
            } elseif ($head->from >= $from && $head->soundsTo() <= $to && ! $part->notes->isEmpty()) {
                $builder->head($part, null);
                $gone++;
            } elseif ($head->soundsTo() > $from) {
                $notes += self::within($builder, $part, $from, $to);
            }
        }
        $change = $builder->change();
        $said = array_filter([$gone === 0 ? '' : Wording::parts($gone), $notes === 0 ? '' : Wording::notes($notes)]);

        $shifted = $whole ? SongShift::change($change, $input, $from, $from - $to) : $change;

        return new Outcome($shifted, new Selection(parts: array_values(array_filter($input->selection->parts, static fn (int $id): bool => ($change->parts[$id]->head ?? null)?->after !== null || ! isset($change->parts[$id]->head)))),
            sprintf('%s to %s removed%s%s.', $input->time()->position($from), $input->time()->position($to), $whole ? '' : ' of '.Wording::parts(count($parts)), $said === [] ? '' : ', with '.implode(' and ', $said)).SongShift::cut($shifted, $input, $from, $from - $to));
    }

    /** @return int how many notes go */
    private static function within(ChangeBuilder $builder, Part $part, int $from, int $to): int
    {
        $by = $to - $from;
        $gone = 0;
        foreach ($part->notes->all() as $note) {
            [$start, $end] = [$note->start, $note->end()];
            if ($start >= $to) {
                $builder->put($part, $note->movedTo($start + $note->carryStart - $by));
            } elseif ($start >= $from && $end > $to) {
                $builder->put($part, $note->piece($to, $end, $note->id)->movedTo($from));
            } elseif ($start >= $from) {
                $builder->drop($part, $note);
                $gone++;
            } elseif ($end > $to) {
                $builder->put($part, $note->with(['length' => $note->length - $by]));
            } elseif ($end > $from) {
                $builder->put($part, $note->piece($start, $from, $note->id));
            }
        }
        $held = PartContents::state($part, $to);
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $to) {
                $builder->putPoint($part, $point->movedTo($point->tick - $by));
            } elseif ($point->tick >= $from) {
                in_array($point, $held, true) ? $builder->putPoint($part, $point->movedTo($from)) : $builder->dropPoint($part, $point);
            }
        }
        $head = $part->head;
        if ($head->to !== PartHead::OPEN) {
            $moved = static fn (int $tick): int => $tick <= $from ? $tick : max($from, $tick - $by);
            [$first, $last] = [$moved($head->from), $moved($head->to)];
            $plays = $head->plays->until === 0 ? $head->plays : $head->plays->goingTo($moved($head->plays->until));
            $builder->head($part, $head->withWindow($first, max($first + 1, $last))->playing($plays->until > $last ? $plays : $plays->goingTo(0)));
        }

        return $gone;
    }
}

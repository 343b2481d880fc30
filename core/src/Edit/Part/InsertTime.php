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
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;

/**
 * Puts time in, as much as from one place to another, at the first: what stands there and after goes later. In the whole
 * song, tempos, meters and markers go along, but a meter that begins at the place, which is that of the new time too; else only the
 * selected parts. Notes across the place are lengthened, or cut
 * there into two. A part across it grows.
 */
final class InsertTime implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('insert-time', 'Insert time', Family::Part, 'Inserts empty time over the span.', [
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
            Param::choice('in', 'In', ['song' => 'the whole song', 'parts' => 'the selected parts'], 'song'),
            Param::choice('across', 'Notes across it', ['lengthen', 'cut'], 'lengthen'),
        ], Requires::Song, ['silence', 'space', 'gap', 'room', 'bars'], [['from' => 1920, 'to' => 3840], ['from' => 1920, 'to' => 3840, 'across' => 'cut']], [AppliesTo::Parts], ['song'], forms: [
            ['title' => 'Insert time in the selected parts', 'params' => ['in' => 'parts']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        [$at, $to] = [$input->params->integer('from'), $input->params->integer('to')];
        if ($to <= $at) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $by = $to - $at;
        $whole = $input->params->choice('in') === 'song';
        $cut = $input->params->choice('across') === 'cut';
        $builder = new ChangeBuilder;
        $parts = $whole ? $input->score->parts : $input->wholeParts();
        foreach ($parts as $part) {
            if ($part->head->from >= $at) {
                PartContents::move($builder, $part, $by);
            } elseif ($part->head->soundsTo() > $at) {
                self::within($builder, $part, $at, $by, $cut);
            }
        }
        $change = $builder->change();
        if (! $whole && $parts === []) {
            return new Outcome($change, $input->selection, 'No parts are selected: nothing changed.');
        }
        $length = $input->time()->meters;
        $bars = $length->barAt($to - 1)->index - $length->barAt($at)->index + 1;
        $isBars = $length->barAt($at)->start === $at && $length->barAt($to - 1)->end() === $to;

        $change = $whole ? SongShift::change($change, $input, $at, $by) : $change;

        return new Outcome($change, $input->selection, sprintf('%s inserted at %s%s.', $isBars ? ($bars === 1 ? '1 bar' : "$bars bars") : Wording::number($by / $input->time()->ppq).' quarters', $input->time()->position($at), $whole ? '' : ' in '.Wording::parts(count($parts))).SongShift::cut($change, $input, $at, $by));
    }

    private static function within(ChangeBuilder $builder, Part $part, int $at, int $by, bool $cut): void
    {
        foreach ($part->notes->all() as $note) {
            if ($note->start >= $at) {
                $builder->put($part, $note->movedTo($note->start + $note->carryStart + $by));
            } elseif ($note->end() > $at && ! $cut) {
                $builder->put($part, $note->with(['length' => $note->length + $by]));
            } elseif ($note->end() > $at) {
                $builder->put($part, $note->piece($note->start, $at, $note->id));
                $builder->put($part, $note->piece($at, $note->end(), $builder->newId($part))->movedTo($at + $by));
            }
        }
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $at) {
                $builder->putPoint($part, $point->movedTo($point->tick + $by));
            }
        }
        $head = $part->head;
        if ($head->to !== PartHead::OPEN) {
            $builder->head($part, $head->withWindow($head->from, $head->to > $at ? $head->to + $by : $head->to)->playing($head->plays->until > $at ? $head->plays->moved($by) : $head->plays));
        }
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Lines notes up with the starts of notes in other parts: each start goes toward the nearest start there, as far as the
 * strength says, if one lies near enough; or all together to the next or previous start from where the first stands, the
 * group keeping its shape. Lengths are kept; what moves by itself is added to the drift. Muted notes are no starts.
 */
final class AlignToParts implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('align-to-parts', 'Align to other parts', Family::Timing, 'Moves starts toward those of notes in other parts.', [
            Param::parts('parts', 'Parts'),
            Param::choice('toward', 'Toward', ['nearest', 'next', 'previous'], 'nearest'),
            Param::number('within', 'Within', 0, 2000, 120, 'ms'),
            Param::integer('strength', 'Strength', 0, 100, 100, '%'),
            EditInput::lanes(),
        ], keeps: true, words: ['underlay', 'kick', 'tight', 'together', 'lock', 'line up'], examples: [['parts' => [1], 'toward' => 'next'], ['parts' => [1], 'toward' => 'next', 'within' => 0]], asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $starts = [];
        foreach ($input->params->partIds('parts') as $id) {
            foreach ($input->score->part($id)->inOrder() as $note) {
                $starts[] = $note->muted ? -1 : $note->start;
            }
        }
        $starts = array_values(array_unique(array_filter($starts, static fn (int $s): bool => $s >= 0)));
        sort($starts);
        if ($starts === []) {
            return new Outcome($builder->change(), $input->selection, 'There is nothing to align to: nothing changed.');
        }
        if ($input->params->choice('toward') !== 'nearest') {
            return $this->together($input, $builder, $starts, $input->params->choice('toward') === 'next' ? 1 : -1);
        }
        [$within, $strength] = [$input->params->number('within'), $input->params->integer('strength')];
        $moved = $far = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $to = self::nearest($starts, $note->start);
                if (abs($input->time()->tempos->milliseconds($note->start, $to)) > $within) {
                    $far++;

                    continue;
                }
                $start = Note::whole($note->start + ($to - $note->start) * $strength / 100);
                $moved += $start !== $note->start && $builder->put($part, $note->retimed($start, $note->length)) ? 1 : 0;
            }
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s aligned: %s moved%s.', Wording::notes($input->selection->count()), $moved, $far === 0 ? '' : ", $far have nothing near"));
    }

    /** @param  non-empty-list<int>  $starts */
    private function together(EditInput $input, ChangeBuilder $builder, array $starts, int $way): Outcome
    {
        $from = $input->firstStart();
        $beyond = array_values(array_filter($starts, static fn (int $s): bool => ($s <=> $from) === $way));
        if ($beyond === []) {
            return new Outcome($builder->change(), $input->selection, 'Nothing starts there any more: nothing changed.');
        }
        $to = $way > 0 ? $beyond[0] : $beyond[count($beyond) - 1];
        $input->moveAll($builder, $to - $from);

        return new Outcome($builder->change(), $input->selection, sprintf('%s to %s, where another part has a note.', Wording::notes($input->selection->count()), $input->time()->position($to)));
    }

    /** @param  non-empty-list<int>  $starts  ascending */
    private static function nearest(array $starts, int $tick): int
    {
        [$low, $high] = [0, count($starts) - 1];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            $starts[$middle] < $tick ? $low = $middle + 1 : $high = $middle;
        }
        $before = $starts[max(0, $low - 1)];

        return $tick - $before < $starts[$low] - $tick ? $before : $starts[$low];
    }
}

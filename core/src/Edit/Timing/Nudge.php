<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

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
use Jactonic\Core\Score\Note;

/**
 * Moves notes together by a number of steps; it does not snap. A step of the grid, of a note value, of bars or of
 * ticks is measured once, at the first selected note, and all move by it. A step of milliseconds or samples is measured
 * through the tempo map at each note's own place, so that 10 ms are 10 ms for each. Fractions of a tick are carried:
 * n small nudges equal one big one. Drift travels along, and so do the lanes under the notes where `lanes` says so. Refused whole when a note would start before the song.
 */
final class Nudge implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('nudge', 'Nudge in time', Family::Timing, 'Moves notes or points earlier or later by a step, all together.', [
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
            EditInput::lanes(),
        ], keeps: true, words: ['move', 'shift', 'earlier', 'later', 'left', 'right'], forms: [
            ['title' => 'Later', 'params' => ['steps' => 1], 'words' => ['late', 'behind', 'lay back', 'lazy', 'drag', 'right']],
            ['title' => 'Earlier', 'params' => ['steps' => -1], 'words' => ['early', 'ahead', 'push', 'rush', 'left']],
        ], examples: [[], ['steps' => 3, 'by' => ['unit' => 'ms', 'amount' => 7]], ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]]], takes: [AppliesTo::Notes, AppliesTo::Points]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $steps = $input->params->integer('steps');
        $first = $input->firstPlace();
        $words = '';
        foreach ($input->parts() as $part) {
            $by = $input->params->step('by', $part->ownSettings());
            $words = $by->words($steps, $input->time(), $first);
            $lines = $input->lines($part);
            $together = $by->isOfTime() ? null : $by->distance($input->time(), $lines, $steps, $first);
            $to = $together === null ? static fn (float $place): float => $place + $by->distance($input->time(), $lines, $steps, $place) : static fn (float $place): float => $place + $together;
            $input->moveNotes($builder, $part, $to, static fn (Note $note): Refusal => new Refusal(sprintf('%s would start before the song: nothing moved.', Wording::note($note, $input->score))));
            $input->moveLanes($builder, $part, $to);
        }
        foreach ($input->partsOfPoints() as $part) {
            $by = $input->params->step('by', $part->ownSettings());
            $words = $by->words($steps, $input->time(), $first);
            $lines = $input->lines($part);
            $ids = $input->pointIds($part);
            $ticks = [];
            foreach ($part->points->integers('tick', $ids) as $tick) {
                $ticks[] = $to = Note::whole($tick + $by->distance($input->time(), $lines, $steps, $by->isOfTime() ? $tick : $first));
                if ($to < 0) {
                    throw new Refusal(sprintf('A point at %s would lie before the song: nothing moved.', $input->time()->position($tick)));
                }
            }
            $builder->pointColumns($part, $ids, ['tick' => $ticks]);
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s moved %s %s.',
            Wording::chosen($input), $words, $steps < 0 ? 'earlier' : 'later'));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Param;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Moves notes together by a number of steps; it does not snap. A step of the grid, of a note value, of bars or of
 * ticks is measured once, at the first chosen note, and all move by it. A step of milliseconds or samples is measured
 * through the tempo map at each note's own place, so that 10 ms are 10 ms for each. Fractions of a tick are carried:
 * n small nudges equal one big one. Drift travels along, and so do the lanes under the notes where `lanes` says so. Refused whole when a note would start before the song.
 */
final class Nudge implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('nudge', 'Nudge in time', Family::Timing, 'Moves notes earlier or later by a step, all together.', [
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
            Work::lanes(),
        ], words: ['move', 'shift', 'earlier', 'later', 'left', 'right'], examples: [[], ['steps' => 3, 'by' => ['unit' => 'ms', 'amount' => 7]], ['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]]]);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $steps = $work->params->integer('steps');
        $first = $work->firstStart();
        $words = '';
        foreach ($work->parts() as $part) {
            $by = $work->params->step('by', $part->settings);
            $words = $by->words($steps);
            $lines = $work->lines($part);
            $together = $by->isOfTime() ? null : $by->distance($work->time(), $lines, $steps, $first);
            foreach ($work->chosen($part) as $note) {
                $place = $note->start + $note->carryStart;
                $exact = $place + ($together ?? $by->distance($work->time(), $lines, $steps, $place));
                if (Note::whole($exact) < 0) {
                    throw new Refusal(sprintf('%s would start before the song: nothing moved.', Say::note($note, $work->time())));
                }
                $draft->put($part, $note->movedTo($exact));
            }
            $work->moveLanes($draft, $part, static fn (float $place): float => $place + ($together ?? $by->distance($work->time(), $lines, $steps, $place)));
        }

        return new Outcome($draft->change(), $work->selection, sprintf('%s moved %s %s.',
            Say::notes($work->selection->count()), $words, $steps < 0 ? 'earlier' : 'later'));
    }
}

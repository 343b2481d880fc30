<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Makes notes longer or shorter by a number of steps, at their end or at their start (the other edge stays). Steps
 * are measured as `nudge` measures them; time steps at the edge that moves. No note gets shorter than 1 tick: those
 * that would are left at 1 and counted in a warning. What changes is added to the drift.
 */
final class Resize implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('resize', 'Lengthen or shorten', Family::Length, 'Moves one edge of each note by a step.', [
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
            Param::choice('edge', 'Edge', ['end', 'start'], 'end'),
        ], keeps: true, words: ['length', 'longer', 'shorter', 'duration', 'trim', 'extend'], forms: [
            ['title' => 'Longer', 'params' => ['steps' => 1]],
            ['title' => 'Shorter', 'params' => ['steps' => -1]],
            ['title' => 'Start earlier', 'params' => ['steps' => -1, 'edge' => 'start'], 'words' => ['edge', 'longer']],
            ['title' => 'Start later', 'params' => ['steps' => 1, 'edge' => 'start'], 'words' => ['edge', 'shorter']],
        ], examples: [[], ['steps' => -1, 'by' => ['unit' => 'samples', 'amount' => 333]], ['edge' => 'start', 'steps' => 1, 'by' => ['unit' => 'ticks', 'amount' => 9]]]);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $steps = $work->params->integer('steps');
        $atEnd = $work->params->choice('edge') === 'end';
        $first = $work->firstStart();
        $words = '';
        $clipped = 0;
        foreach ($work->parts() as $part) {
            $by = $work->params->step('by', $part->ownSettings());
            $words = $by->words($steps);
            $lines = $work->lines($part);
            $together = $by->isOfTime() ? null : $by->distance($work->time(), $lines, $steps, $first);
            $work->resize($builder, $part, static function (float $start, float $length, int $id) use ($work, $part, $by, $lines, $together, $atEnd, $steps, &$clipped): array {
                $moved = $together ?? $by->distance($work->time(), $lines, $steps, $atEnd ? $start + $length : $start);
                $longer = $atEnd ? $length + $moved : $length - $moved;
                if (Note::whole($longer) < 1) {
                    $longer = 1.0;
                    $clipped++;
                }
                if (! $atEnd) {
                    $start += $length - $longer;
                    if (Note::whole($start) < 0) {
                        throw new Refusal(sprintf('%s would start before the song: nothing changed.', Say::note($part->notes[$id], $work->score)));
                    }
                }

                return [$start, $longer];
            });
        }
        $outcome = new Outcome($builder->change(), $work->selection, sprintf('%s %s by %s%s.', Say::notes($work->selection->count()),
            ($steps < 0) === $atEnd ? 'shorter' : 'longer', $words, $atEnd ? '' : ', at the start'));

        return $clipped === 0 ? $outcome : $outcome->warn(Say::notes($clipped).' could get no shorter than 1 tick.');
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
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

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $steps = $input->params->integer('steps');
        $atEnd = $input->params->choice('edge') === 'end';
        $first = $input->firstStart();
        $words = '';
        $clipped = 0;
        foreach ($input->parts() as $part) {
            $by = $input->params->step('by', $part->ownSettings());
            $words = $by->words($steps, $input->time(), $first);
            $lines = $input->lines($part);
            $together = $by->isOfTime() ? null : $by->distance($input->time(), $lines, $steps, $first);
            $input->resize($builder, $part, static function (float $start, float $length, int $id) use ($input, $part, $by, $lines, $together, $atEnd, $steps, &$clipped): array {
                $moved = $together ?? $by->distance($input->time(), $lines, $steps, $atEnd ? $start + $length : $start);
                $longer = $atEnd ? $length + $moved : $length - $moved;
                if (Note::whole($longer) < 1) {
                    $longer = 1.0;
                    $clipped++;
                }
                if (! $atEnd) {
                    $start += $length - $longer;
                    if (Note::whole($start) < 0) {
                        throw new Refusal(sprintf('%s would start before the song: nothing changed.', Wording::note($part->notes[$id], $input->score)));
                    }
                }

                return [$start, $longer];
            });
        }
        $outcome = new Outcome($builder->change(), $input->selection, sprintf('%s %s by %s%s.', Wording::notes($input->selection->count()),
            ($steps < 0) === $atEnd ? 'shorter' : 'longer', $words, $atEnd ? '' : ', at the start'));

        return $clipped === 0 ? $outcome : $outcome->warn(Wording::notes($clipped).' could get no shorter than 1 tick.');
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Moves parts together, with everything in them: by steps as `nudge` moves notes, measured once at the first of them;
 * or until the first begins at a place; or to another track. The window, what lies hidden outside it, and every point
 * go along: no note is touched, three numbers change. Refused whole where a part, or something in it, would begin
 * before the song.
 */
final class PartMove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-move', 'Move the part', Family::Part, 'Moves parts with everything in them.', [
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
            Param::place('to', 'To a place', optional: true),
            Param::integer('track', 'To the track', 1, PHP_INT_MAX, optional: true),
        ], Needs::Parts, ['nudge', 'slide', 'shift', 'earlier', 'later'], [['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1]], ['to' => 5000], ['steps' => 1, 'by' => ['unit' => 'ms', 'amount' => 30]]], [Takes::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Part later', 'params' => ['steps' => 1]], ['title' => 'Part earlier', 'params' => ['steps' => -1]],
        ]);
    }

    public function apply(Work $work): Outcome
    {
        $params = $work->params;
        $parts = $work->wholeParts();
        $first = $parts[0];
        foreach ($parts as $part) {
            $first = $part->head->from < $first->head->from ? $part : $first;
        }
        $by = $params->has('to') ? null : $params->step('by', $first->ownSettings());
        $steps = $params->integer('steps');
        $ticks = match (true) {
            $params->has('to') => $params->integer('to') - $first->head->from,
            $params->has('track') && ! $params->has('steps') => 0,
            default => Note::whole($by?->distance($work->time(), $work->lines($first), $steps, $first->head->from) ?? 0.0),
        };
        $track = $params->has('track') ? $work->score->track($params->integer('track'))->id : null;
        $draft = new Draft;
        foreach ($parts as $part) {
            $head = $part->head->moved($ticks)->onTrack($track ?? $part->head->track);
            /** @var list<int> $places */
            $places = [...$part->notes->column('start'), ...$part->points->column('tick')];
            if ($head->from < 0 || ($places !== [] && min($places) + $ticks < 0)) {
                throw new Refusal(sprintf('“%s” would begin before the song: nothing moved.', $part->name));
            }
            $draft->head($part, $head);
        }

        return new Outcome($draft->change(), $work->selection, sprintf('%s moved %s.', count($parts) === 1 ? "“{$first->name}”" : Say::parts(count($parts)), match (true) {
            $track !== null && $ticks === 0 => 'to '.$work->score->track($track)->name,
            $by === null => 'to '.$work->time()->position($params->integer('to')),
            default => $by->words($steps).($steps < 0 ? ' earlier' : ' later'),
        }));
    }
}

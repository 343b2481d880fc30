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
use Jactonic\Core\Edit\Track\ChannelChange;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Sound;
use Jactonic\Core\Selection\Selection;

/**
 * Moves parts together, with everything in them: by steps as `nudge` moves notes, measured once at the first of them;
 * or until the first begins at a place; or until it begins at the next edge of
 * another part; or to other tracks, all of them as many on, where they play with the sound of that track. The window, what lies hidden outside it, and every point
 * go along: no note is touched, three numbers change. Copies may go instead, which are then selected. Refused whole where a part, or something in it, would begin
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
            Param::choice('edge', 'To an edge of another part', ['none', 'next', 'previous'], 'none'),
            Param::choice('of', 'Edges of', ['all', 'track'], 'all'),
            Param::track('track', 'To the track'),
            Param::integer('tracks', 'Tracks down, below 0 for up', -1000, 1000, 0, adds: true),
            Param::flag('copy', 'Move copies, leave the originals'),
        ], Requires::Parts, ['nudge', 'slide', 'shift', 'earlier', 'later', 'copy', 'layer'], [['steps' => 2, 'by' => ['unit' => 'bar', 'amount' => 1]], ['to' => 5000], ['steps' => 1, 'by' => ['unit' => 'ms', 'amount' => 30]], ['steps' => 4, 'copy' => true]], [AppliesTo::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Part later', 'params' => ['steps' => 1]], ['title' => 'Part earlier', 'params' => ['steps' => -1]],
        ], selectsWith: ['copy']);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $parts = $input->wholeParts();
        $first = $parts[0];
        foreach ($parts as $part) {
            $first = $part->head->from < $first->head->from ? $part : $first;
        }
        $by = $params->has('to') ? null : $params->step('by', $first->ownSettings());
        $steps = $params->integer('steps');
        $down = $params->integer('tracks');
        $edge = null;
        if ($params->choice('edge') !== 'none') {
            $later = $params->choice('edge') === 'next';
            $edge = EdgeStep::from($first->head->from, $later, $input, $input->selection->parts, $params->choice('of') === 'track' ? $first->head->track : null)
                ?? throw new Refusal('No other part has an edge '.($later ? 'later: ' : 'earlier: ').'nothing moved.', 'edge');
        }
        $ticks = match (true) {
            $params->has('to') => $params->integer('to') - $first->head->from,
            $edge !== null => $edge - $first->head->from,
            ($params->has('track') || $down !== 0) && ! $params->has('steps') => 0,
            default => Note::whole($by?->distance($input->time(), $input->lines($first), $steps, $first->head->from) ?? 0.0),
        };
        $track = $params->has('track') ? $input->score->track($params->integer('track'))->id : null;
        $order = $input->score->playedTracks();
        $builder = new ChangeBuilder;
        $ids = [];
        $copies = $params->flag('copy');
        $to = $first->head->track;
        foreach ($parts as $part) {
            $place = (int) array_search($part->head->track, $order, true) + $down;
            $to = $track ?? $order[$place] ?? throw new Refusal(sprintf('There is no track that far %s: nothing moved.', $down < 0 ? 'up' : 'down'), 'tracks');
            // The sound of the track that it comes to, where that has one.
            $sound = $to === $part->head->track ? null : Sound::of($input->score, $to);
            if ($copies) {
                $ids[] = PartContents::duplicate($builder, $part, $input, $ticks, $to, $sound?->channel)->id;

                continue;
            }
            if ($sound !== null) {
                ChannelChange::part($builder, $part, $sound->channel, true);
            }
            PartContents::move($builder, $part, $ticks, $to);
        }

        return new Outcome($builder->change(), $copies ? new Selection(parts: $ids) : $input->selection, sprintf('%s %s %s.', count($parts) === 1 ? "“{$first->name}”" : Wording::parts(count($parts)), $copies ? 'copied' : 'moved', match (true) {
            $to !== $first->head->track && $ticks === 0 => 'to “'.$input->score->track($to)->name.'”',
            $edge !== null => 'to '.$input->time()->position($edge),
            $params->has('to') => 'to '.$input->time()->position($params->integer('to')),
            default => $by?->words($steps, $input->time(), $first->head->from).($steps < 0 ? ' earlier' : ' later'),
        }));
    }
}

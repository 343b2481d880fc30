<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;

/** Moves a track up or down among the others; at the end it stays. */
final class TrackOrder implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-order', 'Move the track up or down', Family::Part, 'Changes the order of tracks.', [
            Param::integer('by', 'Places, below 0 for up', -100, 100, 1, adds: true),
        ], Requires::Tracks, ['order', 'sort', 'up', 'down'], [['by' => 1]], [AppliesTo::Tracks], ['song'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $moved = $input->selection->tracks[0];
        $ids = $input->score->playedTracks();
        if (! in_array($moved, $ids, true)) {
            throw new Refusal('The conductor track stays at the top.', 'on');
        }
        // What only speaks in the file keeps its place before the others.
        $first = array_values(array_diff(array_keys($input->score->tracks), $ids));
        $at = (int) array_search($moved, $ids, true);
        $to = max(0, min(count($ids) - 1, $at + $input->params->integer('by')));
        array_splice($ids, $at, 1);
        array_splice($ids, $to, 0, [$moved]);
        $builder = new ChangeBuilder;
        foreach ([...$first, ...$ids] as $order => $id) {
            $track = $input->score->track($id);
            $builder->track($track, $track->withOrder($order));
        }
        $name = $input->score->track($moved)->name;

        return new Outcome($builder->change(), $input->selection, $to === $at ? "“{$name}” stands at the end already." : sprintf('“%s” is now track %d of %d.', $name, $to + 1, count($ids)));
    }
}

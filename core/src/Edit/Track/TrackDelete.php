<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Track;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Selection\Selection;

/** Takes tracks away with their parts, which are kept out of sight, so that undo brings them back as they were. */
final class TrackDelete implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-delete', 'Delete the track', Family::Part, 'Takes tracks away with their parts.', [], Needs::Tracks, ['remove', 'erase'], takes: [Takes::Tracks], contexts: ['song']);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $names = [];
        foreach ($work->selection->tracks as $id) {
            $track = $work->score->track($id);
            $names[] = "“{$track->name}”";
            $builder->track($track, null);
            foreach ($work->score->partsOf($id) as $part) {
                $builder->head($part, null);
            }
        }

        return new Outcome($builder->change(), Selection::none(), implode(', ', $names).' deleted.');
    }
}

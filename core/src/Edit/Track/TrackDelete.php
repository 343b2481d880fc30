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
use Jactonic\Core\Selection\Selection;

/** Takes tracks away with their parts, which are kept out of sight, so that undo brings them back as they were. */
final class TrackDelete implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-delete', 'Delete the track', Family::Part, 'Deletes tracks with their parts.', [], Requires::Tracks, ['remove', 'erase'], takes: [AppliesTo::Tracks], contexts: ['song']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $names = [];
        foreach ($input->selection->tracks as $id) {
            $track = $input->score->track($id);
            $names[] = "“{$track->name}”";
            $builder->track($track, null);
            foreach ($input->score->partsOf($id) as $part) {
                $builder->head($part, null);
            }
        }

        return new Outcome($builder->change(), Selection::none(), implode(', ', $names).' deleted.');
    }
}

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

/** Gives a track another name, which the saved file has too. */
final class TrackRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-rename', 'Rename the track', Family::Part, 'Renames a track.', [
            Param::name('name', 'Name'),
        ], Requires::Tracks, ['name', 'title'], [['name' => 'Harmonium']], [AppliesTo::Tracks], ['song', 'roll'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $name = $input->params->text('name');
        $first = $input->score->track($input->selection->tracks[0]);
        foreach ($input->selection->tracks as $id) {
            $track = $input->score->track($id);
            $builder->track($track, $track->withName($name));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('The track “%s” is now “%s”.', $first->name, $name));
    }
}

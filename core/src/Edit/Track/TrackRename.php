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
use Jactonic\Core\Param\Param;

/** Gives a track another name, which the saved file has too. */
final class TrackRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-rename', 'Rename the track', Family::Part, 'Gives a track another name.', [
            Param::name('name', 'Name'),
        ], Needs::Tracks, ['name', 'title'], [['name' => 'Harmonium']], [Takes::Tracks], ['song', 'roll'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $name = $work->params->text('name');
        $first = $work->score->track($work->selection->tracks[0]);
        foreach ($work->selection->tracks as $id) {
            $track = $work->score->track($id);
            $builder->track($track, $track->withName($name));
        }

        return new Outcome($builder->change(), $work->selection, sprintf('The track “%s” is now “%s”.', $first->name, $name));
    }
}

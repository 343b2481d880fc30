<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Song;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** Gives the song another name. */
final class SongRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('song-rename', 'Rename the song', Family::Song, 'Gives the song another name.', [
            Param::name('name', 'Name'),
        ], Needs::Song, ['name', 'title'], [['name' => 'Night crossing']], [], ['song', 'roll']);
    }

    public function apply(Work $work): Outcome
    {
        [$before, $after] = [$work->score->name, $work->params->text('name')];

        return new Outcome(new Change(song: $before === $after ? [] : ['name' => [$before, $after]]), $work->selection, $before === $after ? 'That is its name already.' : "{$before} is now {$after}.");
    }
}

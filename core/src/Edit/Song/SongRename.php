<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Song;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** Gives the song another name. */
final class SongRename implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('song-rename', 'Rename the song', Family::Song, 'Renames the song.', [
            Param::name('name', 'Name'),
        ], Requires::Song, ['name', 'title'], [['name' => 'Night crossing']], [], ['song', 'roll']);
    }

    public function apply(EditInput $input): Outcome
    {
        [$before, $after] = [$input->score->name, $input->params->text('name')];

        return new Outcome(new Change(song: $before === $after ? [] : ['name' => [$before, $after]]), $input->selection, $before === $after ? 'That is its name already.' : "{$before} is now {$after}.");
    }
}

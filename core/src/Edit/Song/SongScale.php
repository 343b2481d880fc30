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

/** Gives the song a scale, which holds in all parts that have none of their own, or takes it away. */
final class SongScale implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('song-scale', 'Scale of the song', Family::Song, 'Sets the scale for all parts without one of their own; empty removes it.', [
            Param::scale('scale', 'Scale', true),
        ], Requires::Song, ['key', 'mode', 'tonality'], [['scale' => 'D dorian'], ['scale' => 'Bb major']], [], ['song', 'roll'], panel: 'scale', forms: [
            ['title' => 'No scale for the song', 'params' => [], 'words' => ['key', 'chromatic', 'off']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $scale = $input->params->has('scale') ? $input->params->scale('scale') : null;
        [$before, $after] = [$input->score->scale?->name, $scale?->name];

        return new Outcome(new Change(song: $before === $after ? [] : ['scale' => [$before, $after]]), $input->selection, match (true) {
            $before === $after => $after === null ? 'The song has no scale.' : "$after is its scale already.",
            $after === null => "The song has no scale; it was $before.",
            default => "Scale of the song: $after.",
        });
    }
}

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
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Standard\Articulations;

/**
 * Gives tracks a set of articulations: one that ships, by its name, or one of one's own; with none it is taken away.
 * Notes keep their numbers. Kept in the track's file.
 */
final class TrackArticulations implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('track-articulations', 'Articulations of the track', Family::Part, 'Gives tracks a set of articulations.', [
            Param::articulations('set', 'Set'),
        ], Requires::Tracks, ['articulation', 'key switch', 'playing styles', 'pizzicato', 'set'], [['set' => 'Strings'], ['set' => ['name' => 'Two hands', 'articulations' => [['id' => 'soft', 'name' => 'Soft', 'mark' => 's', 'do' => [['key' => 24]]], ['id' => 'hard', 'name' => 'Hard', 'mark' => 'h', 'do' => [['cc' => 1, 'value' => 100]], 'length' => 90, 'velocity' => 120]]]]], [AppliesTo::Tracks], ['song', 'roll'], keeps: true, panel: 'articulations', forms: [
            ...array_map(static fn (array $set): array => ['title' => 'Articulations: '.$set['name'], 'params' => ['set' => $set['name']]], Articulations::SETS),
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $set = $input->params->articulations('set');
        $names = [];
        foreach ($input->selection->tracks as $id) {
            $track = $input->score->track($id);
            $builder->track($track, ArticulationSet::on($track, $set));
            $names[] = "“{$track->name}”";
        }

        return new Outcome($builder->change(), $input->selection, $set === null ? sprintf('%s: no articulations.', implode(', ', $names)) : sprintf('%s: the articulations of “%s”: %s.', implode(', ', $names), $set->name, Wording::shortened(implode(', ', array_column($set->articulations, 'name')))));
    }
}

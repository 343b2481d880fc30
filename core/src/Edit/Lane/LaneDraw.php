<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;

/** Draws points of a lane: they replace what lies there from the first of them to the last. */
final class LaneDraw implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-draw', 'Draw in a lane', Family::Lane, 'Draws points of a lane in place of what is there.', [
            Param::lane('lane', 'Lane'),
            Param::points('points', 'Points'),
        ], Requires::Part, ['controller', 'curve', 'automation'], [['lane' => 'cc:64', 'points' => [[100, 127], [5000, 0]]], ['lane' => 'bend', 'points' => [[0, -8192]]]], keeps: true, asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $input->part();
        $lane = $input->params->lane('lane');
        $points = $input->params->points('points');
        [$least, $most] = $lane->range();
        $channel = $input->score->channelOf($part);
        foreach ($part->points->all() as $old) {
            if ($lane->holds($old) && ($old->status & 0x0F) === $channel && $old->tick >= $points[0][0] && $old->tick <= $points[count($points) - 1][0]) {
                $builder->dropPoint($part, $old);
            }
        }
        foreach ($points as [$tick, $value]) {
            if ($value < $least || $value > $most) {
                throw Refusal::parameter('points', $value, "a value from $least to $most");
            }
            $builder->putPoint($part, $lane->point($builder->newPointId($part), $tick, $channel, $value));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s drawn in %s.', Wording::points(count($points)), $lane->title()));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;

/** Draws points of a lane: they replace what lies there from the first of them to the last. */
final class LaneDraw implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-draw', 'Draw in a lane', Family::Lane, 'Draws points of a lane, in place of what lies there.', [
            Param::lane('lane', 'Lane'),
            Param::points('points', 'Points'),
        ], Needs::Part, ['controller', 'curve', 'automation'], [['lane' => 'cc:64', 'points' => [[100, 127], [5000, 0]]], ['lane' => 'bend', 'points' => [[0, -8192]]]], keeps: true, asked: false);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $work->part();
        $lane = $work->params->lane('lane');
        $points = $work->params->points('points');
        [$least, $most] = $lane->range();
        $channel = $work->score->channelOf($part);
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

        return new Outcome($builder->change(), $work->selection, sprintf('%s drawn in %s.', Say::points(count($points)), $lane->title()));
    }
}

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
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Point;

/**
 * Takes the points of a lane away that are not needed to show it within a tolerance; says how many went, and by how much
 * it differs at most.
 */
final class LaneThin implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-thin', 'Thin a lane', Family::Lane, 'Removes points that are hardly heard.', [
            EditInput::inLane(),
            Param::integer('tolerance', 'Tolerance, in 127ths', 0, 64, 2),
        ], Requires::Part, ['reduce', 'simplify', 'points', 'controller', 'automation'], [['lane' => 'cc:11', 'tolerance' => 60], ['lane' => 'cc:1', 'tolerance' => 60]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $part = $input->part();
        $lane = $input->lane();
        [$least, $most] = $lane->range();
        $tolerance = $input->params->integer('tolerance') * ($most - $least) / 127;
        $points = array_filter($part->points->all(), $lane->holds(...));
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);
        $builder = new ChangeBuilder;
        $held = [];
        $gone = 0;
        $worst = 0;
        foreach ($points as $point) {
            $value = $lane->value($point);
            $channel = $point->status & 0x0F;
            if (isset($held[$channel]) && abs($value - $held[$channel]) <= $tolerance) {
                $worst = max($worst, abs($value - $held[$channel]));
                $builder->dropPoint($part, $point);
                $gone++;
            } else {
                $held[$channel] = $value;
            }
        }

        return new Outcome($builder->change(), $input->selection, $gone === 0 ? "Every point of {$lane->title()} is needed." : sprintf('%s of %d of %s removed; the largest difference is %d.', Wording::points($gone), count($points), $lane->title(), $worst));
    }
}

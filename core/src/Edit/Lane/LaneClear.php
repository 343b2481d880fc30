<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Curve;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;

/** Takes the points of a lane in a stretch away; what it held before it holds on, and after the stretch it is as it was. */
final class LaneClear implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-clear', 'Clear a lane', Family::Lane, 'Takes the points of a lane in a stretch away.', [
            Param::lane('lane', 'Lane'),
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
        ], Needs::Part, ['delete', 'remove', 'automation', 'points'], [['lane' => 'cc:11', 'from' => 0, 'to' => 20_000], ['lane' => 'cc:64', 'from' => 0, 'to' => 20_000]], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $lane = $work->params->lane('lane');
        [$from, $to] = [$work->params->integer('from'), $work->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $builder = new ChangeBuilder;
        $count = 0;
        $channels = [];
        foreach ($work->part()->points->all() as $point) {
            if ($lane->holds($point) && $point->tick >= $from && $point->tick < $to) {
                $builder->dropPoint($work->part(), $point);
                $channels[$point->status & 0x0F] = true;
                $count++;
            }
        }
        foreach (array_keys($channels) as $channel) {
            Curve::restore($builder, $work->part(), $lane, $channel, $from, $to);
        }

        return new Outcome($builder->change(), $work->selection, $count === 0 ? "No points of {$lane->title()} lie there." : sprintf('%s of %s deleted.', Say::points($count), $lane->title()));
    }
}

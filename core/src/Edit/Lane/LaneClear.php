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
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;

/** Takes the points of a lane in a stretch away; what it held before it holds on, and after the stretch it is as it was. */
final class LaneClear implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-clear', 'Clear a lane', Family::Lane, 'Deletes the points of a lane in a stretch of time.', [
            EditInput::inLane(),
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
        ], Requires::Part, ['delete', 'remove', 'automation', 'points'], [['lane' => 'cc:11', 'from' => 0, 'to' => 20_000], ['lane' => 'cc:64', 'from' => 0, 'to' => 20_000]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $lane = $input->lane();
        [$from, $to] = [$input->params->integer('from'), $input->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $builder = new ChangeBuilder;
        $count = 0;
        $channels = [];
        foreach ($input->part()->points->all() as $point) {
            if ($lane->holds($point) && $point->tick >= $from && $point->tick < $to) {
                $builder->dropPoint($input->part(), $point);
                $channels[$point->status & 0x0F] = true;
                $count++;
            }
        }
        foreach (array_keys($channels) as $channel) {
            LaneCurve::restore($builder, $input->part(), $lane, $channel, $from, $to);
        }

        return new Outcome($builder->change(), $input->selection, $count === 0 ? "There are no points of {$lane->title()} there." : sprintf('%s of %s deleted.', Wording::points($count), $lane->title()));
    }
}

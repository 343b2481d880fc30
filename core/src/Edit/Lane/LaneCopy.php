<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\Change;
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
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;

/**
 * Copies a stretch of a lane to elsewhere: to another place, into another lane, whose range it is mapped to, or into
 * another part. It replaces what lies there; what held before and after stays.
 */
final class LaneCopy implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-copy', 'Copy a stretch of a lane', Family::Lane, 'Copies the span of a lane to the caret, also into another lane or part.', [
            EditInput::inLane(),
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
            Param::place('at', 'To the place', default: new Word('caret')),
            Param::lane('into', 'Into the lane', 'the same'),
            Param::part('part', 'Into the part'),
            Param::flag('move', 'Delete it here'),
        ], Requires::Part, ['duplicate', 'paste', 'automation', 'move'], [['lane' => 'cc:11', 'from' => 0, 'to' => 9000, 'at' => 20_000], ['lane' => 'cc:11', 'from' => 0, 'to' => 9000, 'at' => 0, 'into' => 'bend'], ['lane' => 'cc:1', 'from' => 0, 'to' => 9000, 'at' => 30_000, 'move' => true]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $part = $input->part();
        $target = $params->has('part') ? $input->score->part($params->integer('part')) : $part;
        $lane = $input->lane();
        $into = $params->has('into') ? $params->lane('into') : $lane;
        [$from, $to, $at] = [$params->integer('from'), $params->integer('to'), $params->integer('at')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $channel = $input->score->channelOf($part);
        $channelThere = $input->score->channelOf($target);
        $copied = [];
        $state = LaneCurve::heldAt($part, $lane, $channel, $from);
        if ($state !== null) {
            $copied[$from] = $state;
        }
        $builder = new ChangeBuilder;
        $points = $part->points->all();
        usort($points, static fn (Point $a, Point $b): int => $a->tick <=> $b->tick ?: $a->id <=> $b->id);
        foreach ($points as $point) {
            if ($lane->holds($point) && ($point->status & 0x0F) === $channel && $point->tick >= $from && $point->tick < $to) {
                $copied[$point->tick] = $lane->value($point);
                if ($params->flag('move')) {
                    $builder->dropPoint($part, $point);
                }
            }
        }
        if ($copied === []) {
            return new Outcome(new Change, $input->selection, "{$lane->title()} holds nothing there: nothing changed.");
        }
        $end = $at + $to - $from;
        $after = LaneCurve::heldAt($target, $into, $channelThere, $end);
        LaneCurve::clear($builder, $target, $into, $channelThere, $at, $end);
        $mapped = null;
        foreach ($copied as $tick => $value) {
            $mapped = LanePaste::mapped($value, $lane, $into);
            $builder->putPoint($target, $into->point($builder->newPointId($target), $tick - $from + $at, $channelThere, $mapped));
        }
        if ($after !== null && $after !== $mapped && ! LaneCurve::standsAt($target, $into, $channelThere, $end)) {
            $builder->putPoint($target, $into->point($builder->newPointId($target), $end, $channelThere, $after));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s of %s %s %s%s.', Wording::points(count($copied)), $lane->title(), $params->flag('move') ? 'moved to' : 'copied to', $input->time()->position($at), $into->name === $lane->name ? '' : ' as '.$into->title()));
    }
}

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
use Jactonic\Core\Score\Lane;

/**
 * Draws a line in a lane, straight or bent: as few points as show it, no tick farther off than half of what the lane can
 * tell apart; or fewer, where they are to stand at least so far from one another. What held before and after stays.
 */
final class LaneLine implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-line', 'A line in a lane', Family::Lane, 'Draws a straight or bent line in a lane.', [
            EditInput::inLane(),
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
            Param::integer('low', 'Value at the start', 0, 127, 0),
            Param::integer('high', 'Value at the end', 0, 127, 127),
            Param::integer('curve', 'Curve: − fast first, + slow first', -100, 100, 0),
            Param::step('every', 'Points at most every', default: ['unit' => 'ticks', 'amount' => 1]),
        ], Requires::Part, ['ramp', 'automation', 'fade', 'crescendo', 'controller'], [['lane' => 'cc:11', 'from' => 0, 'to' => 3840, 'low' => 20, 'high' => 110], ['lane' => 'bend', 'from' => 960, 'to' => 1920, 'low' => 64, 'high' => 127, 'curve' => 60]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $lane = $input->lane();
        [$from, $to, $low, $high, $curve] = [$params->integer('from'), $params->integer('to'), $params->integer('low'), $params->integer('high'), $params->integer('curve')];
        $builder = new ChangeBuilder;
        $count = LaneCurve::draw($builder, $input, $input->part(), $lane, $from, $to, static fn (float $x): float => $low + ($high - $low) * LaneCurve::bent($x, $curve),
            max(1, (int) round($params->step('every')->distance($input->time(), $input->lines($input->part()), 1, $from))));

        return new Outcome($builder->change(), $input->selection, sprintf('%s from %d to %d: %s.', $lane->title(), $low, $high, Wording::points($count)));
    }
}

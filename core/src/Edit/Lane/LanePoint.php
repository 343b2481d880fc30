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
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\GeneralMidi;

/**
 * Puts one point into a lane: with no value named, of the value that the lane holds there, else of the one that it rests at.
 * A point that stands there already gets the value. The point is selected then, and writing goes on at the next line of
 * the grid.
 */
final class LanePoint implements Edit
{
    /** What a lane rests at where nothing in it says so; the others rest at 0. */
    private const RESTS = ['cc:7' => 100, 'cc:8' => 64, 'cc:10' => 64, 'cc:11' => 127];

    public static function spec(): Spec
    {
        return new Spec('lane-point', 'Put a point in a lane', Family::Lane, 'Puts a point into a lane at the caret.', [
            EditInput::inLane(),
            Param::integer('value', 'Value; −8192 to 8191 of a bend', -8192, 8191, optional: true, blank: 'what holds there'),
            Param::place('at', 'Place', default: new Word('caret')),
        ], Requires::Part, ['insert a point', 'automation', 'controller', ...array_values(GeneralMidi::CONTROLLERS), 'bend', 'pressure'], [['lane' => 'cc:1', 'value' => 64, 'at' => 960], ['lane' => 'cc:11', 'value' => 3, 'at' => 0], ['lane' => 'bend', 'value' => -100, 'at' => 5]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $part = $input->part();
        $lane = $input->lane();
        $at = $input->params->integer('at');
        $channel = $input->score->channelOf($part);
        [$least, $most] = $lane->range();
        $value = $input->params->has('value') ? $input->params->integer('value') : LaneCurve::heldAt($part, $lane, $channel, $at) ?? self::RESTS[$lane->name] ?? 0;
        if ($value < $least || $value > $most) {
            throw Refusal::parameter('value', $value, "$least to $most in the lane of {$lane->title()}");
        }
        $builder = new ChangeBuilder;
        LaneCurve::clear($builder, $part, $lane, $channel, $at, $at + 1);
        $id = $builder->newPointId($part);
        $builder->putPoint($part, $lane->point($id, $at, $channel, $value));
        $next = $input->lines($part)->after($at);

        return (new Outcome($builder->change(), new Selection(points: [$part->id => [$lane->name => [$id]]]), sprintf('%s %d at %s.', $lane->title(), $value, $input->time()->position($at))))->caretAt($next);
    }
}

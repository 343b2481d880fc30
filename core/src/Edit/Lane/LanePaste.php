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
use Jactonic\Core\Param\Place;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Selection\Selection;

/**
 * Puts copied points into a lane, those of another lane mapped to its range: `anchor`, a place among them, goes to `at`.
 * They replace what lies from the first of them to the last, and are selected then.
 */
final class LanePaste implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('lane-paste', 'Paste points', Family::Lane, 'Puts copied points into a lane.', [
            EditInput::inLane(),
            Param::points('points', 'Points'),
            Param::lane('of', 'The lane that they are of', 'the same'),
            Param::place('at', 'Place', default: new Word('caret')),
            Param::integer('anchor', 'What of them goes there instead of the first', 0, PHP_INT_MAX >> 20, unit: 'ticks', optional: true),
        ], Requires::Part, ['paste', 'automation'], [['lane' => 'cc:11', 'points' => [[100, 127], [5000, 0]], 'at' => 960], ['lane' => 'bend', 'of' => 'cc:11', 'points' => [[0, 0], [10, 127]], 'at' => 9]], asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $part = $input->part();
        $lane = $input->lane();
        $of = $params->has('of') ? $params->lane('of') : $lane;
        $points = $params->points('points');
        $first = $points[0][0];
        // As pasted notes, the earliest does not go before the song.
        $shift = max(-$first, $params->integer('at') - ($params->has('anchor') ? $params->integer('anchor') : $first));
        $last = $points[count($points) - 1][0];
        if ($last + $shift > Place::LAST) {
            throw new Refusal('A point would lie past the end of time: nothing was pasted.', 'at');
        }
        $channel = $input->score->channelOf($part);
        $builder = new ChangeBuilder;
        LaneCurve::clear($builder, $part, $lane, $channel, $first + $shift, $last + $shift + 1);
        $ids = [];
        foreach ($points as [$tick, $value]) {
            $ids[] = $id = $builder->newPointId($part);
            $builder->putPoint($part, $lane->point($id, $tick + $shift, $channel, self::mapped($value, $of, $lane)));
        }

        return new Outcome($builder->change(), new Selection(points: [$part->id => [$lane->name => $ids]]), sprintf('%s pasted in %s.', Wording::points(count($ids)), $lane->title()));
    }

    /** A value of one lane as another has it: as high in its range. */
    public static function mapped(int $value, Lane $of, Lane $into): int
    {
        [$least, $most] = $of->range();
        if ($value < $least || $value > $most) {
            throw Refusal::parameter('points', $value, "a value from $least to $most");
        }
        [$low, $high] = $into->range();

        return (int) round($low + ($value - $least) * ($high - $low) / ($most - $least));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Chance;
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
 * Draws a shape over a stretch of a lane: rise, fall, a swell up and down, a sine or chance by the period, or one value
 * held. What held before and after stays.
 */
final class LaneShape implements Edit
{
    private const SHAPES = ['rise', 'fall', 'swell', 'sine', 'random', 'hold'];

    public static function spec(): Spec
    {
        return new Spec('lane-shape', 'A shape in a lane', Family::Lane, 'Draws a swell, a sine or another shape over the span.', [
            EditInput::inLane(),
            Param::choice('shape', 'Shape', self::SHAPES, 'swell'),
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
            Param::integer('low', 'Lowest', 0, 127, 40),
            Param::integer('high', 'Highest', 0, 127, 110),
            Param::grid('period', 'Period', default: '1/4'),
            Param::integer('seed', 'Seed', 0, 0x7FFFFFFF, 1),
        ], Requires::Part, ['swell', 'sine', 'lfo', 'vibrato', 'random', 'crescendo', 'automation'], [['lane' => 'cc:11', 'from' => 0, 'to' => 7680], ['lane' => 'cc:1', 'shape' => 'sine', 'from' => 0, 'to' => 3840], ['lane' => 'bend', 'shape' => 'random', 'from' => 0, 'to' => 3840, 'seed' => 4]], keeps: true, forms: [
            ['title' => 'A swell over the span', 'params' => ['shape' => 'swell'], 'words' => ['crescendo', 'dynamics']],
            ['title' => 'A swell of expression over the span', 'params' => ['lane' => 'cc:11', 'shape' => 'swell'], 'words' => ['crescendo', 'dynamics']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $params = $input->params;
        $lane = $input->lane();
        [$from, $to, $low, $high] = [$params->integer('from'), $params->integer('to'), $params->integer('low'), $params->integer('high')];
        $lines = $input->time()->lines($params->grid('period'));
        $period = max(1, $lines->after($from) - $lines->nearest($from));
        $chance = new Chance($params->integer('seed'));
        $values = [];
        $shape = $params->choice('shape');
        $length = max(1, $to - $from);
        $builder = new ChangeBuilder;
        $count = LaneCurve::draw($builder, $input, $input->part(), $lane, $from, $to, static function (float $x) use ($shape, $low, $high, $length, $period, $chance, &$values): float {
            $at = $x * $length / $period;

            return $low + ($high - $low) * match ($shape) {
                'rise' => $x,
                'fall' => 1 - $x,
                'swell' => sin(M_PI * $x),
                'sine' => 0.5 - 0.5 * cos(2 * M_PI * $at),
                'random' => $values[(int) $at] ??= $chance->bell(0.5, 0.5, 0, 1),
                default => 1.0,
            };
        }, 1);

        return new Outcome($builder->change(), $input->selection, sprintf('%s: %s from %d to %d, %s.', $lane->title(), $shape, $low, $high, Wording::points($count)));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Expression;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * Draws a curve that belongs to single notes, as points in ticks from their start: they replace what lies from the first
 * of them to the last. A bend is in the units of the message, −8192 to 8191.
 */
final class NoteDraw implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('note-draw', 'Draw a curve on the note', Family::Lane, 'Draws a curve that holds for the selected notes only.', [
            Param::lane('lane', 'Lane: bend, pressure or a controller', 'the bend'),
            Param::points('points', 'Points, in ticks from the note’s start'),
        ], words: ['expression', 'bend', 'curve'], examples: [['points' => [[0, 0], [240, 2048], [480, 0]]], ['lane' => 'cc:11', 'points' => [[0, 40], [300, 100]]]], keeps: true, asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $lane = NoteCurve::lane($input);
        $points = $input->params->points('points');
        [$least, $most] = $lane->range();
        foreach ($points as [, $value]) {
            if ($value < $least || $value > $most) {
                throw Refusal::parameter('points', $value, "a value from $least to $most");
            }
        }

        return NoteCurve::draw($input, $lane, static fn (Note $n): array => NoteCurve::replaced($n, $lane, $points[0][0], $points[count($points) - 1][0], $points),
            static fn (int $count): string => sprintf('%s drawn on %s.', $lane->title(), Wording::notes($count)));
    }
}

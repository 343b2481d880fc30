<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Velocity;

use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Lane\LaneCurve;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * A crescendo or diminuendo over the stretch of time of the selected notes, from the first start to the last: `replace` gives
 * each note the value of the ramp at its start, `scale` makes its velocity that share of itself, 100 being all. A curve
 * above 0 rises late, one below 0 early. With one start for all, the ramp's first value holds.
 */
final class VelocityRamp implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('velocity-ramp', 'Crescendo, diminuendo', Family::Velocity, 'Raises or lowers velocities steadily over the selected notes.', [
            Param::integer('from', 'From', 0, 200, 60),
            Param::integer('to', 'To', 0, 200, 100),
            Param::integer('curve', 'Curve: − fast first, + slow first', -100, 100, 0),
            Param::choice('mode', 'From and to are', ['replace' => 'velocities', 'scale' => 'percentages'], 'replace'),
        ], takes: [AppliesTo::Notes, AppliesTo::Points], keeps: true, words: ['swell', 'velocity', 'ramp', 'fade', 'crescendo', 'diminuendo', 'dynamics'], forms: [
            ['title' => 'Crescendo: louder to the end', 'params' => ['from' => 60, 'to' => 100, 'mode' => 'scale'], 'words' => ['rise', 'fade in']],
            ['title' => 'Diminuendo: softer to the end', 'params' => ['from' => 100, 'to' => 60, 'mode' => 'scale'], 'words' => ['decrescendo', 'fall', 'fade out']],
        ], examples: [[], ['from' => 100, 'to' => 40, 'curve' => 50, 'mode' => 'scale']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $from = $input->params->integer('from');
        $to = $input->params->integer('to');
        $scale = $input->params->choice('mode') === 'scale';
        $first = PHP_INT_MAX;
        $last = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                [$first, $last] = [min($first, $note->start), max($last, $note->start)];
            }
        }
        foreach ($input->partsOfPoints() as $part) {
            foreach ($input->chosenPoints($part) as $point) {
                [$first, $last] = [min($first, $point->tick), max($last, $point->tick)];
            }
        }
        $stretch = $last - $first;
        $curve = $input->params->integer('curve');
        $ramp = static fn (float $v, int $tick): float => $from + ($to - $from) * ($stretch === 0 ? 0 : LaneCurve::bent(($tick - $first) / $stretch, $curve));

        $done = sprintf('%s from %d to %d%s', $to < $from ? 'falling' : 'rising', $from, $to, $scale ? ' %' : '');

        return $scale ? VelocityShaping::push($input, static fn (float $v, int $tick): float => $v * $ramp($v, $tick) / 100, $done) : VelocityShaping::shape($input, $ramp, $done);
    }
}

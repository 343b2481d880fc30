<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Chords;

/**
 * Writes the sustain pedal (controller 64) from the chords of the selected notes, as a foot does: up as a chord is struck,
 * down a moment after, up at the end of the last. What the lane held in that stretch goes.
 */
final class Pedal implements Edit
{
    private const SUSTAIN = 'cc:64';

    public static function spec(): Spec
    {
        return new Spec('pedal', 'Pedal from the chords', Family::Lane, 'Writes the sustain pedal so that each chord sounds to the next.', [
            Param::integer('gap', 'Down after a chord', 1, 1000, 60, 'ms'),
            Param::gather(),
        ], words: ['sustain', 'hold', 'damper', 'foot'], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $lane = Lane::parse(self::SUSTAIN);
        $chords = 0;
        foreach ($input->parts() as $part) {
            $notes = $part->inOrder($input->selection->notes[$part->id]);
            if ($notes === []) {
                continue;
            }
            $channel = $input->score->channelOf($part);
            $found = Chords::of($notes, $input->time(), $input->gather($part));
            $end = max(array_map(static fn (Note $n): int => $n->end(), $notes));
            LaneCurve::clear($builder, $part, $lane, $channel, $notes[0]->start, $end + 1);
            $put = static fn (int $tick, int $value) => $builder->putPoint($part, $lane->point($builder->newPointId($part), $tick, $channel, $value));
            $starts = array_map(static fn (array $chord): int => min(array_map(static fn (Note $n): int => $n->start, $chord) ?: [0]), $found);
            foreach ($starts as $i => $start) {
                $next = $starts[$i + 1] ?? $end;
                $put($start, 0);
                $down = (int) round($input->time()->tempos->shift($start, $input->params->integer('gap')));
                if ($down < $next) {
                    $put($down, 127);
                }
                $chords++;
            }
            $put($end, 0);
        }

        return new Outcome($builder->change(), $input->selection, sprintf('The pedal follows %s.', $chords === 1 ? '1 chord' : "$chords chords"));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Lines;
use Jactonic\Core\Time\Timeline;

/**
 * Gives notes the feel of a groove: each start goes toward the nearest place where the groove would play, and each
 * velocity toward the groove's at that place, each with its own strength. Lengths are kept. A place of the bar at
 * which the groove has nothing is its straight line, and leaves the velocity. What moves is added to the drift. Another groove is
 * another try.
 */
final class GrooveQuantize implements Edit
{
    private const EXAMPLE = ['name' => 'Lazy', 'grid' => '1/8', 'time' => [0.1, null, -0.2, 0.05], 'velocity' => [100, 60, null, 50]];

    public static function spec(): Spec
    {
        return new Spec('groove-quantize', 'Quantize to a groove', Family::Timing, 'Moves starts and velocities toward those of a groove.', [
            Param::groove('groove', 'Groove'),
            Param::integer('strength', 'Strength on time', 0, 100, 100, '%'),
            Param::integer('velocity', 'Strength on velocity', 0, 100, 0, '%'),
        ], keeps: true, panel: 'groove', words: ['groove', 'feel', 'template', 'pocket', 'swing'], examples: [['groove' => self::EXAMPLE], ['groove' => self::EXAMPLE, 'strength' => 60, 'velocity' => 70]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $time = $input->time();
        $groove = $input->params->groove('groove');
        $strength = $input->params->integer('strength');
        $dynamics = $input->params->integer('velocity');
        $lines = $time->lines($groove->grid);
        $moved = 0;
        $largest = 0.0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $line = self::nearest($note->start, $groove, $lines, $time);
                $start = Note::whole($note->start + ($groove->at($line, $time) - $note->start) * $strength / 100);
                $loud = $groove->velocity[$groove->place($line, $time)] ?? $note->velocity;
                $velocity = (int) round($note->velocity + ($loud - $note->velocity) * $dynamics / 100);
                $new = $start === $note->start ? $note : $note->retimed($start, $note->length);
                $moved += $builder->put($part, $velocity === $note->velocity ? $new : $new->withVelocity($velocity)) ? 1 : 0;
                $largest = max($largest, abs($time->tempos->milliseconds($note->start, $start)));
            }
        }

        return (new Outcome($builder->change(), $input->selection, sprintf('%s quantized to the groove “%s”: %s.', Wording::notes($input->selection->count()), $groove->name,
            $moved === 0 ? 'all were there already' : sprintf('%d changed, %s at most', $moved, Wording::ms($largest)))))->trying([$groove->toArray()]);
    }

    /** The line whose place in the groove lies nearest; the later one on a tie. */
    private static function nearest(int $start, Groove $groove, Lines $lines, Timeline $time): int
    {
        [$before, $after] = $lines->around($start);
        $best = $lines->before($before);
        foreach ([$before, $after, $lines->after($after)] as $line) {
            if (abs($groove->at($line, $time) - $start) <= abs($groove->at($best, $time) - $start)) {
                $best = $line;
            }
        }

        return $best;
    }
}

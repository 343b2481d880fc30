<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Part;

/**
 * Moves notes by steps of a scale, each by its own: three notes a third apart stay thirds of the scale. A note outside
 * it goes to the nearest note of it that way first, which counts as one step. Refused whole when a note would leave
 * 0–127.
 */
final class StepInScale implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('step-in-scale', 'Transpose in the scale', Family::Pitch, 'Transposes notes by steps of the scale.', [
            Param::integer('degrees', 'Steps, below 0 for down', -70, 70, 1, adds: true),
            Param::scale('scale', 'Scale'),
        ], keeps: true, words: ['diatonic', 'transpose', 'degree', 'third', 'up', 'down'], examples: [['degrees' => 2, 'scale' => 'D dorian'], ['degrees' => -3, 'scale' => 'Bb major']], forms: [
            ['title' => 'A step of the scale up', 'params' => ['degrees' => 1]],
            ['title' => 'A step of the scale down', 'params' => ['degrees' => -1]],
            ['title' => 'A third of the scale up', 'params' => ['degrees' => 2]],
            ['title' => 'A third of the scale down', 'params' => ['degrees' => -2]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $degrees = $input->params->integer('degrees');
        $names = [];
        PitchEdit::each($input, $builder, static function (int $pitch, Part $part) use ($input, $degrees, &$names): int {
            $scale = $input->params->scale('scale', $input->score->scaleOf($part));
            $names[$scale->name] = true;

            return $scale->stepped($pitch, $degrees);
        });

        return new Outcome($builder->change(), $input->selection, sprintf('%s %s %s of %s.', Wording::notes($input->selection->count()), $degrees < 0 ? 'down' : 'up',
            abs($degrees) === 1 ? 'a step' : abs($degrees).' steps', implode(', ', array_keys($names))));
    }
}

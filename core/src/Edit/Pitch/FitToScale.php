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
 * Moves notes that lie outside a scale onto it: to the nearest note of it (of two as near the lower), or up or down.
 * Refused whole when a note would leave 0–127.
 */
final class FitToScale implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('fit-to-scale', 'Snap to the scale', Family::Pitch, 'Moves notes outside the scale to its nearest tones.', [
            Param::scale('scale', 'Scale'),
            Param::choice('toward', 'Toward', ['nearest', 'up', 'down'], 'nearest'),
        ], keeps: true, words: ['correct', 'key', 'diatonic', 'snap', 'wrong notes', 'fit'], examples: [['scale' => 'C minor pentatonic'], ['scale' => 'F# harmonic minor', 'toward' => 'up']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $toward = $input->params->choice('toward');
        $names = [];
        $moved = PitchEdit::each($input, $builder, static function (int $pitch, Part $part) use ($input, $toward, &$names): int {
            $scale = $input->params->scale('scale', $input->score->scaleOf($part));
            $names[$scale->name] = true;

            return $scale->nearest($pitch, $toward);
        });

        return new Outcome($builder->change(), $input->selection, sprintf('%s in %s: %s.', Wording::notes($input->selection->count()), implode(', ', array_keys($names)),
            $moved === 0 ? 'all were in it already' : ($moved === 1 ? '1 moved' : "$moved moved")));
    }
}

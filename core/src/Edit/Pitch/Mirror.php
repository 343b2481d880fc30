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
 * Turns pitches upside down about an axis: without one about the middle of the lowest and the highest note selected, which
 * change places then. In a scale its steps are mirrored, and a note outside it stays as far from the step it hangs on.
 * Refused whole when a note would leave 0–127.
 */
final class Mirror implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('mirror', 'Mirror pitches', Family::Pitch, 'Turns pitches upside down.', [
            Param::pitch('axis', 'About', optional: true),
            Param::choice('in', 'In', ['semitones', 'scale'], 'semitones'),
            Param::scale('scale', 'Scale'),
        ], words: ['upside down', 'flip', 'invert', 'inversion'], examples: [[], ['axis' => 65], ['in' => 'scale', 'scale' => 'D dorian']], keeps: true, forms: [
            ['title' => 'Mirror pitches', 'params' => []],
            ['title' => 'Mirror pitches in the scale', 'params' => ['in' => 'scale'], 'words' => ['diatonic', 'degrees']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $pitches = [];
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $pitches[] = $note->pitch;
            }
        }
        if ($input->params->choice('in') === 'scale') {
            return $this->inScale($input, $pitches);
        }
        $twice = $input->params->has('axis') ? 2 * $input->params->integer('axis') : ($pitches === [] ? 0 : min($pitches) + max($pitches));
        PitchEdit::each($input, $builder, static fn (int $pitch): int => $twice - $pitch);
        $about = $twice % 2 === 0 ? Wording::pitch(intdiv($twice, 2), $input->score) : 'between '.Wording::pitch(intdiv($twice, 2), $input->score).' and '.Wording::pitch(intdiv($twice, 2) + 1, $input->score);

        return new Outcome($builder->change(), $input->selection, sprintf('%s mirrored about %s.', Wording::notes($input->selection->count()), $about));
    }

    /** @param  list<int>  $pitches  of all that is selected */
    private function inScale(EditInput $input, array $pitches): Outcome
    {
        $builder = new ChangeBuilder;
        $names = [];
        PitchEdit::each($input, $builder, static function (int $pitch, Part $part) use ($input, $pitches, &$names): int {
            $scale = $input->params->scale('scale', $input->score->scaleOf($part));
            $names[$scale->name] = true;
            $degree = $scale->degree($pitch);
            $twice = $input->params->has('axis') ? 2 * $scale->degree($input->params->integer('axis')) : $scale->degree(min([$pitch, ...$pitches])) + $scale->degree(max([$pitch, ...$pitches]));

            return $scale->pitch($twice - $degree) - ($pitch - $scale->pitch($degree));
        });

        return new Outcome($builder->change(), $input->selection, sprintf('%s mirrored in %s.', Wording::notes($input->selection->count()), implode(', ', array_keys($names))));
    }
}

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
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;

/**
 * Copies notes in place and moves the copies by semitones, or by steps of the scale; drift and all else is copied too, and the copies become the
 * selection. Refused whole when a copy would leave 0–127.
 */
final class DoubleAt implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('double-at', 'Double at an interval', Family::Pitch, 'Copies notes in place, moved by an interval.', [
            Param::integer('semitones', 'Semitones, below 0 for down', -127, 127, 12),
            Param::integer('degrees', 'Steps of the scale instead', -70, 70, optional: true),
            Param::scale('scale', 'Scale'),
        ], words: ['double', 'octave', 'copy', 'layer', 'interval', 'fifth', 'thirds'], forms: array_map(static fn (array $f): array => ['title' => $f[0], 'params' => ['semitones' => $f[1]]], [
            ['Double an octave up', 12], ['Double an octave down', -12], ['Double a fifth up', 7],
        ]), examples: [['degrees' => 2, 'scale' => 'F major'], ['semitones' => 7], ['semitones' => -12]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $semitones = $input->params->integer('semitones');
        $degrees = $input->params->has('degrees') ? $input->params->integer('degrees') : null;
        $by = $degrees === null ? [abs($semitones).' semitones', $semitones < 0] : [abs($degrees).' steps of the scale', $degrees < 0];
        $ids = [];
        foreach ($input->parts() as $part) {
            $ids[$part->id] = [];
            $scale = $degrees === null ? null : $input->params->scale('scale', $input->score->scaleOf($part));
            foreach ($part->inOrder($input->selection->notes[$part->id]) as $note) {
                $pitch = $scale === null ? $note->pitch + $semitones : $scale->stepped($note->pitch, (int) $degrees);
                if ($pitch < Note::LOWEST || $pitch > Note::HIGHEST) {
                    throw new Refusal(sprintf('%s cannot be doubled %s %s: there is no such pitch. Nothing was copied.', Wording::note($note, $input->score), $by[0], $by[1] ? 'down' : 'up'));
                }
                $copy = $builder->regrouped($part, $note->copiedAs($builder->newId($part))->withPitch($pitch));
                $builder->put($part, $copy);
                $ids[$part->id][] = $copy->id;
            }
        }

        return new Outcome($builder->change(), new Selection($ids), sprintf('%s doubled %s %s.', Wording::notes($input->selection->count()), $by[0], $by[1] ? 'down' : 'up'));
    }
}

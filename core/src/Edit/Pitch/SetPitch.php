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
use Jactonic\Core\Standard\GeneralMidi;

/** Puts all notes on one pitch; their timing is untouched. */
final class SetPitch implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('set-pitch', 'Set pitch', Family::Pitch, 'Gives all notes one pitch.', [
            Param::pitch('pitch', 'Pitch'),
        ], keeps: true, words: ['pitch', 'same', 'row', 'drum', 'layer', 'one pitch'], forms: [
            ['title' => 'Set pitch to the caret’s row', 'params' => ['pitch' => 'caret'], 'words' => ['drum', 'here']],
        ], examples: [['pitch' => 38], ['pitch' => 'F#3'], ['pitch' => 'Low Tom']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $pitch = $input->params->integer('pitch');
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            $builder->columns($part, $ids, ['pitch' => array_fill(0, count($ids), $pitch)]);
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s on %s.', Wording::notes($input->selection->count()), Wording::pitch($pitch, $input->score, $this->isDrums($input))));
    }

    private function isDrums(EditInput $input): bool
    {
        foreach ($input->parts() as $part) {
            if ($part->channel() !== GeneralMidi::DRUM_CHANNEL) {
                return false;
            }
        }

        return true;
    }
}

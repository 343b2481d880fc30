<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Standard\GeneralMidi;

/** Puts all notes on one pitch; their timing is untouched. */
final class SetPitch implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('set-pitch', 'All to one pitch', Family::Pitch, 'Puts all notes on one pitch.', [
            Param::pitch('pitch', 'Pitch'),
        ], keeps: true, words: ['pitch', 'same', 'row', 'drum', 'layer'], forms: [
            ['title' => 'All to the caret’s row', 'params' => ['pitch' => 'caret'], 'words' => ['drum', 'here']],
        ], examples: [['pitch' => 38], ['pitch' => 'F#3'], ['pitch' => 'Low Tom']]);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $pitch = $work->params->integer('pitch');
        foreach ($work->parts() as $part) {
            $ids = $work->ids($part);
            $builder->columns($part, $ids, ['pitch' => array_fill(0, count($ids), $pitch)]);
        }

        return new Outcome($builder->change(), $work->selection, sprintf('%s on %s.', Say::notes($work->selection->count()), Say::pitch($pitch, $work->score, $this->isDrums($work))));
    }

    private function isDrums(Work $work): bool
    {
        foreach ($work->parts() as $part) {
            if ($part->channel() !== GeneralMidi::DRUM_CHANNEL) {
                return false;
            }
        }

        return true;
    }
}

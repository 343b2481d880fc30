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
use Jactonic\Core\Refusal;

/**
 * Gives notes back the time they were played at: start, length or both. The drift that stood for it becomes 0.
 * Refused whole when a note's played start would lie before the song's start (a quantized note nudged to its very
 * beginning).
 */
final class AsPlayed implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('as-played', 'Back to as played', Family::Timing, 'Moves each note back to its played start and length.', [
            Param::choice('what', 'What goes back', ['both', 'start', 'length'], 'both'),
        ], keeps: true, words: ['original', 'as recorded', 'undo quantize', 'restore', 'feel', 'timing']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $what = $input->params->choice('what');
        $moved = 0;
        foreach ($input->parts() as $part) {
            $ids = $input->ids($part);
            [$starts, $lengths] = [$part->notes->integers('start', $ids), $part->notes->integers('length', $ids)];
            [$driftStart, $driftLength] = [$part->notes->integers('driftStart', $ids), $part->notes->integers('driftLength', $ids)];
            foreach ($ids as $i => $id) {
                $start = $starts[$i] + ($what === 'length' ? 0 : $driftStart[$i]);
                $length = $what === 'start' ? $lengths[$i] : max(1, $lengths[$i] + $driftLength[$i]);
                if ($start < 0) {
                    throw new Refusal(sprintf('%s was played before the present start of the song: nothing moved.', Wording::note($part->notes[$id], $input->score)));
                }
                if ($start !== $starts[$i] || $length !== $lengths[$i]) {
                    $moved++;
                    $starts[$i] = $start;
                    $lengths[$i] = $length;
                }
            }
            $input->retime($builder, $part, array_values($starts), array_values($lengths));
        }
        $all = $input->selection->count();

        return new Outcome($builder->change(), $input->selection, $moved === 0
            ? Wording::notes($all).': all have the played timing already.'
            : sprintf('%s: %d moved back to the played timing.', Wording::notes($all), $moved));
    }
}

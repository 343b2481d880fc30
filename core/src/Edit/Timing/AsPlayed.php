<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Timing;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
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
        return new Spec('as-played', 'Back to as played', Family::Timing, 'Puts back the played start and length of each note.', [
            Param::choice('what', 'What goes back', ['both', 'start', 'length'], 'both'),
        ], keeps: true, words: ['original', 'as recorded', 'undo quantize', 'restore', 'feel', 'original', 'timing']);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $what = $work->params->choice('what');
        $moved = 0;
        foreach ($work->parts() as $part) {
            $ids = $work->ids($part);
            [$starts, $lengths] = [$part->notes->integers('start', $ids), $part->notes->integers('length', $ids)];
            [$driftStart, $driftLength] = [$part->notes->integers('driftStart', $ids), $part->notes->integers('driftLength', $ids)];
            foreach ($ids as $i => $id) {
                $start = $starts[$i] + ($what === 'length' ? 0 : $driftStart[$i]);
                $length = $what === 'start' ? $lengths[$i] : max(1, $lengths[$i] + $driftLength[$i]);
                if ($start < 0) {
                    throw new Refusal(sprintf('%s was played before what is now the song’s start: nothing moved.', Say::note($part->notes[$id], $work->score)));
                }
                if ($start !== $starts[$i] || $length !== $lengths[$i]) {
                    $moved++;
                    $starts[$i] = $start;
                    $lengths[$i] = $length;
                }
            }
            $work->retime($builder, $part, array_values($starts), array_values($lengths));
        }
        $all = $work->selection->count();

        return new Outcome($builder->change(), $work->selection, $moved === 0
            ? Say::notes($all).': all stand as they were played.'
            : sprintf('%s as played: %d went back.', Say::notes($all), $moved));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Repitch;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/**
 * Turns pitches upside down about an axis: without one about the middle of the lowest and the highest note chosen, which
 * change places then. Refused whole when a note would leave 0–127.
 */
final class Mirror implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('mirror', 'Mirror pitches', Family::Pitch, 'Turns pitches upside down.', [
            Param::pitch('axis', 'About', optional: true),
        ], words: ['invert', 'upside down', 'flip', 'inversion'], examples: [[], ['axis' => 65]], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $pitches = [];
        foreach ($work->parts() as $part) {
            foreach ($work->chosen($part) as $note) {
                $pitches[] = $note->pitch;
            }
        }
        $twice = $work->params->has('axis') ? 2 * $work->params->integer('axis') : ($pitches === [] ? 0 : min($pitches) + max($pitches));
        Repitch::each($work, $draft, static fn (int $pitch): int => $twice - $pitch);
        $about = $twice % 2 === 0 ? Say::pitch(intdiv($twice, 2), $work->score) : 'between '.Say::pitch(intdiv($twice, 2), $work->score).' and '.Say::pitch(intdiv($twice, 2) + 1, $work->score);

        return new Outcome($draft->change(), $work->selection, sprintf('%s mirrored about %s.', Say::notes($work->selection->count()), $about));
    }
}

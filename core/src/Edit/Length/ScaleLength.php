<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Length;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;

/**
 * Scales the length of each note about its start; the start stays. Fractions of a tick are carried, so that half and
 * then double is what it was. No note gets shorter than 1 tick; those that would are counted in a warning.
 */
final class ScaleLength implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('scale-length', 'Scale length by a percentage', Family::Length, 'Multiplies the length of each note by a percentage.', [
            Param::number('percent', 'Percentage', 1, 1600, 100, '%'),
        ], keeps: true, words: ['duration', 'double', 'half', 'stretch', 'percent', 'staccato'], forms: [
            ['title' => 'Half length', 'params' => ['percent' => 50], 'words' => ['halve', 'staccato', 'shorter']],
            ['title' => 'Double length', 'params' => ['percent' => 200], 'words' => ['double', 'longer', 'lengthen']],
        ], examples: [['percent' => 50], ['percent' => 133.3]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $percent = $input->params->number('percent');
        $short = 0;
        foreach ($input->parts() as $part) {
            $input->resize($builder, $part, static function (float $start, float $length) use ($percent, &$short): array {
                $length = $length * $percent / 100;
                if (Note::whole($length) < 1) {
                    $length = 1.0;
                    $short++;
                }

                return [$start, $length];
            });
        }
        $outcome = new Outcome($builder->change(), $input->selection, sprintf('%s: lengths at %s %%.',
            Wording::notes($input->selection->count()), Wording::number($percent)));

        return $short === 0 ? $outcome : $outcome->warn(Wording::notes($short).' could get no shorter than 1 tick.');
    }
}

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

/**
 * Gives every note one length: a note value, measured exactly (fractions of a tick are carried), or ticks. A bar is as
 * long as the bar from the note's own place. What changes is added to the drift.
 */
final class SetLength implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('set-length', 'Set the length', Family::Length, 'Gives every note the same length.', [
            Param::length('value', 'Length', '1/16'),
        ], keeps: true, words: ['duration', 'same', 'fixed', 'staccato'], examples: [[], ['value' => '1/8T'], ['value' => 77], ['value' => 'bar']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $to = $input->params->step('value');
        foreach ($input->parts() as $part) {
            $lines = $input->lines($part);
            $input->resize($builder, $part, static fn (float $start): array => [$start, max(1.0, $to->distance($input->time(), $lines, 1, $start))]);
        }

        return new Outcome($builder->change(), $input->selection, sprintf('%s: length %s.', Wording::notes($input->selection->count()), $to->words(1, $input->time(), $input->firstStart())));
    }
}

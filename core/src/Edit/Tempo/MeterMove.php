<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Tempo;

use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;

/** Moves the meter that begins at a tick to a bar; one that began there gives way to it. */
final class MeterMove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('meter-move', 'Move a meter change', Family::Song, 'Moves a meter change to another bar.', [
            Param::place('at', 'The one that begins at'),
            Param::integer('bar', 'To bar', 1, TimelineEdit::MOST_BARS),
        ], Requires::Song, ['time signature'], [['at' => 7680, 'bar' => 2]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = $input->time()->meterRows;
        $row = $rows[TimelineEdit::at($rows, $input->params->integer('at'), 'meter', $input)];
        $tick = TimelineEdit::bar($input, $input->params->integer('bar'));
        $rows = array_values(array_filter($rows, static fn (array $r): bool => $r !== $row && $r[0] !== $tick));
        $rows[] = [$tick, $row[1], $row[2], $row[3], $row[4], $row[5], $row[6]];

        return TimelineEdit::outcome($input, null, $rows, sprintf('Meter %d/%d moved to bar %d.', $row[1], $row[2], $input->params->integer('bar')));
    }
}

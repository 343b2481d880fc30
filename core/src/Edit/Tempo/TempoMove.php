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

/** Moves the tempo that begins at a tick to a bar; one that began there gives way to it. */
final class TempoMove implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('tempo-move', 'Move a tempo change', Family::Song, 'Moves a tempo change to another bar.', [
            Param::place('at', 'The one that begins at'),
            Param::integer('bar', 'To bar', 1, TimelineEdit::MOST_BARS),
        ], Requires::Song, ['bpm'], [['at' => 6000, 'bar' => 4]], panel: 'tempo');
    }

    public function apply(EditInput $input): Outcome
    {
        $rows = TimelineEdit::tempos($input);
        $row = $rows[TimelineEdit::at($rows, $input->params->integer('at'), 'tempo', $input)];
        $tick = TimelineEdit::bar($input, $input->params->integer('bar'));
        $rows = array_values(array_filter($rows, static fn (array $r): bool => $r !== $row && $r[0] !== $tick));
        $rows[] = [$tick, $row[1], $row[2], $row[3]];

        return TimelineEdit::outcome($input, $rows, null, sprintf('Tempo %s moved to bar %d.', TimelineEdit::words($row[1]), $input->params->integer('bar')));
    }
}

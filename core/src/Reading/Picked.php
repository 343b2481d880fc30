<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;

/** The notes that meet a condition, among those chosen or in the part. */
final class Picked implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('picked', 'Notes by a condition', Family::Selection, 'The notes that meet a condition.', [Param::pick('pick', 'Condition')], Needs::Part);
    }

    public function read(Work $work): array
    {
        $among = array_fill_keys(array_column(Readings::notes($work), 'id'), true);
        $found = [];
        foreach ($work->selection->partIds() as $id) {
            array_push($found, ...array_filter($work->params->pick('pick')->of($work->score->part($id), $work->time(), $work->score->scale), static fn (int $note): bool => isset($among[$note])));
        }

        return ['notes' => $found];
    }
}

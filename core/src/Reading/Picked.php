<?php

declare(strict_types=1);

namespace Jactonic\Core\Reading;

use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Shape;

/** The notes that meet a condition, among those selected or in the part. */
final class Picked implements Reading
{
    public static function spec(): Spec
    {
        return new Spec('picked', 'Notes by a condition', Family::Selection, 'The notes that meet a condition.', [Param::pick('pick', 'Condition')], Requires::Part);
    }

    public static function answer(): array
    {
        return Shape::object(['notes' => Shape::list(Shape::whole(1))]);
    }

    public function read(EditInput $input): array
    {
        $among = array_fill_keys(array_column(Readings::notes($input), 'id'), true);
        $found = [];
        foreach ($input->selection->partIds() as $id) {
            array_push($found, ...array_filter($input->params->pick('pick')->of($input->score->part($id), $input->time(), $input->score->scale), static fn (int $note): bool => isset($among[$note])));
        }

        return ['notes' => $found];
    }
}

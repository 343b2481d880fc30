<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Pitch;

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
 * Moves notes by rows, where only some rows are shown: each to the row so many on in the list. A note on none of them
 * goes to the nearest that way first, which counts as one. Refused whole when a note would go past the last row.
 */
final class StepInRows implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('step-in-rows', 'Transpose by rows', Family::Pitch, 'Transposes notes by rows of a list.', [
            Param::integer('steps', 'Rows, below 0 for down', -127, 127, 1, adds: true),
            Param::pitches('rows', 'Rows'),
        ], keeps: true, words: ['drums', 'used rows'], examples: [['rows' => range(0, 127, 3)], ['steps' => -2, 'rows' => range(0, 127, 2)]], asked: false);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $steps = $input->params->integer('steps');
        $rows = $input->params->rows('rows');
        PitchEdit::each($input, $builder, static fn (int $pitch): int => self::stepped($pitch, $steps, $rows));

        return new Outcome($builder->change(), $input->selection, sprintf('%s %s %s.', Wording::notes($input->selection->count()), $steps < 0 ? 'down' : 'up', abs($steps) === 1 ? 'a row' : abs($steps).' rows'));
    }

    /** @param  non-empty-list<int>  $rows  in the order in which they stand, from below */
    private static function stepped(int $pitch, int $steps, array $rows): int
    {
        $at = array_search($pitch, $rows, true);
        if ($at === false) {
            $beyond = array_keys(array_filter($rows, static fn (int $row): bool => ($row <=> $pitch) === ($steps <=> 0)));
            $at = ($beyond === [] ? -1 : ($steps > 0 ? $beyond[0] : $beyond[count($beyond) - 1])) - ($steps <=> 0);
        }

        return $rows[$at + $steps] ?? throw new Refusal('A note would go past the last row that is shown: nothing changed.', 'steps');
    }
}

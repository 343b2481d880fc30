<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;

/** Makes the selected notes of each part one group: selected is then one with all, unless it is asked for alone. One note is no group. */
final class Group implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('group', 'Group notes', Family::Structure, 'Groups notes, so that they are selected together.', words: ['together', 'bind', 'link'], examples: [[]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        foreach ($input->parts() as $part) {
            $chosen = $input->chosen($part);
            if (count($chosen) < 2) {
                continue;
            }
            $group = $builder->newGroup($part);
            foreach ($chosen as $note) {
                $builder->put($part, $note->with(['group' => $group]));
            }
            $count += count($chosen);
        }

        return new Outcome($builder->change(), $input->selection, $count === 0 ? 'A group is of two notes or more: nothing changed.' : Wording::notes($count).' are a group now.');
    }
}

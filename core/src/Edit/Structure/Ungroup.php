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

/** Takes the selected notes out of their groups. */
final class Ungroup implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('ungroup', 'Ungroup notes', Family::Structure, 'Ungroups notes, so that they are selected one by one.', words: ['apart', 'release', 'unlink'], examples: [[]], keeps: true);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $count = 0;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $count += $builder->put($part, $note->with(['group' => 0])) ? 1 : 0;
            }
        }

        return new Outcome($builder->change(), $input->selection, $count === 0 ? 'None of them is in a group: nothing changed.' : Wording::notes($count).' are no longer grouped.');
    }
}

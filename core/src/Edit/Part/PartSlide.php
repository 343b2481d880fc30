<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/** Moves what is in parts under their windows, hidden notes too: another stretch of it is heard. Refused whole where
 * something would come before the song. */
final class PartSlide implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-slide', 'Slide the contents', Family::Part, 'Moves the contents of parts; their windows stay.', [
            Param::integer('steps', 'Steps, below 0 for earlier', -10_000, 10_000, 1, adds: true),
            Param::step('by', 'Step', setting: 'nudge'),
        ], Requires::Parts, ['slip', 'contents', 'inside'], [['steps' => 1, 'by' => ['unit' => 'bar', 'amount' => 1]]], [AppliesTo::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Contents later', 'params' => ['steps' => 1]], ['title' => 'Contents earlier', 'params' => ['steps' => -1]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $parts = $input->wholeParts();
        $steps = $input->params->integer('steps');
        foreach ($parts as $part) {
            $head = $part->head;
            $by = Note::whole($input->params->step('by', $part->settings())->distance($input->time(), $input->lines($part), $steps, $head->from));
            /** @var list<int> $places */
            $places = [...$part->notes->column('start'), ...$part->points->column('tick')];
            if ($places !== [] && min($places) + $by < 0) {
                throw new Refusal(sprintf('Something in “%s” would come before the song: nothing moved.', $part->name), 'steps');
            }
            $builder->head($part, $head->slid($by));
        }

        return new Outcome($builder->change(), $input->selection, sprintf('The contents of %s moved %s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))), $input->params->step('by', $parts[0]->settings())->words($steps, $input->time(), $parts[0]->head->from).($steps < 0 ? ' earlier' : ' later')));
    }
}

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
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Sounding\Sounding;

/**
 * Lets the window of parts go round up to a place, the last round cut there; 0 ends it. The notes stay as they are. A
 * place that no second round would begin before is refused.
 */
final class PartLoop implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-loop', 'Loop the part', Family::Part, 'Loops parts up to a place.', [
            Param::place('until', 'Up to', default: new Word('caret')),
            Param::choice('to', 'Instead up to', ['place' => 'the place', 'song' => 'the end of the song'], 'place'),
        ], Requires::Parts, ['loop', 'round', 'repeat', 'cycle'], [['until' => 30_000]], [AppliesTo::Parts], ['song'], keeps: true, forms: [
            ['title' => 'Loop the part to the end of the song', 'params' => ['to' => 'song', 'until' => 0]],
            ['title' => 'Loop the part to the end of the span', 'params' => ['until' => 'span-end']],
            ['title' => 'End the loop', 'params' => ['until' => 0], 'words' => ['unloop', 'end']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $parts = $input->wholeParts();
        $until = $input->params->choice('to') === 'song' ? self::songEnd($input) : $input->params->integer('until');
        $builder = new ChangeBuilder;
        $rounds = 0;
        foreach ($parts as $part) {
            $head = $part->head;
            if ($until === 0) {
                $builder->head($part, $head->playing($head->plays->goingTo(0)));

                continue;
            }
            $end = PartContents::end($part, $input);
            if ($until <= $end) {
                throw new Refusal(sprintf('“%s” ends at %s: it can loop only up to a later place. Nothing changed.', $part->name, $input->time()->position($end)), 'until');
            }
            // What goes round is the window as it is now.
            $head = $head->to === PartHead::OPEN ? $head->withWindow($head->from, $end) : $head->settled();
            $head = $head->playing($head->plays->goingTo($until));
            $rounds = Sounding::countRounds($head);
            if ($rounds * max(1, $part->notes->count() + $part->points->count()) > Sounding::MOST) {
                throw new Refusal(sprintf('“%s” would loop %s times, which makes more than %s notes and points: nothing changed.', $part->name, number_format($rounds), number_format(Sounding::MOST)), 'until');
            }
            $builder->head($part, $head);
        }
        $name = count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts));

        return new Outcome($builder->change(), $input->selection, $until === 0 ? $name.(count($parts) === 1 ? ' no longer loops.' : ' no longer loop.') : sprintf('%s %s up to %s%s.', $name, count($parts) === 1 ? 'loops' : 'loop', $input->time()->position($until), count($parts) === 1 ? ", $rounds times" : ''));
    }

    /** Where the last part ends. */
    private static function songEnd(EditInput $input): int
    {
        return max(array_map(static fn (Part $p): int => max(PartContents::end($p, $input), $p->head->plays->until), $input->score->parts) ?: [0]);
    }
}

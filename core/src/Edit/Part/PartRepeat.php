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
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Lines;

/**
 * Copies parts behind themselves: by their own length, rounded up to whole cells of the first one's grid, by whole bars or by
 * the span. Of parts that loop the copy begins where the loop ends. The copies become the choice.
 */
final class PartRepeat implements Edit
{
    private const MOST = 2000;

    public static function spec(): Spec
    {
        return new Spec('part-repeat', 'Repeat the part', Family::Part, 'Repeats parts, one copy after the other.', [
            Param::integer('times', 'Times', 1, 200, 1),
            Param::choice('every', 'Every', ['own' => 'its own length', 'bars' => 'whole bars', 'span' => 'the span'], 'own'),
        ], Requires::Parts, ['duplicate', 'copy', 'again'], [['times' => 2], ['every' => 'bars']], [AppliesTo::Parts], ['song']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $parts = $input->wholeParts();
        $times = $input->params->integer('times');
        if ($times * count($parts) > self::MOST) {
            throw new Refusal(sprintf('That would be more than %d parts: nothing was copied.', self::MOST), 'times');
        }
        // All of them together, so that they keep their shape.
        [$from, $to] = [PHP_INT_MAX, 0];
        foreach ($parts as $part) {
            [$from, $to] = [min($from, $part->head->from), max($to, PartContents::end($part, $input), $part->head->plays->until)];
        }
        $meters = $input->time()->meters;
        $every = match ($input->params->choice('every')) {
            'span' => $input->context->span()[1] - $input->context->span()[0],
            'bars' => $meters->barAt($to - 1)->end() - $meters->barAt($from)->start,
            default => self::length($parts[0], $input, $from, $to),
        };
        $ids = [];
        foreach ($parts as $part) {
            for ($i = 1; $i <= $times; $i++) {
                $copy = PartContents::duplicate($builder, $part, $input, $i * $every);
                $ids[] = $copy->id;
            }
        }

        return new Outcome($builder->change(), new Selection(parts: $ids), sprintf('%s repeated%s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))), $times === 1 ? '' : ", $times times"));
    }

    /** A stretch rounded up to whole cells of a part's grid, without its swing; of a grid in bars, to whole bars. */
    private static function length(Part $part, EditInput $input, int $from, int $to): int
    {
        $grid = $input->lines($part)->grid;
        $meters = $input->time()->meters;
        if ($grid->isBars()) {
            return $meters->barAt($to - 1)->end() - $from;
        }
        $cell = $input->time()->lines($grid, Lines::STRAIGHT)->cell($from);

        return Note::whole(ceil(($to - $from) / $cell) * $cell);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Contents;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Selection\Selection;

/** Copies parts behind themselves, each by its own length, by whole bars or by the span; the copies become the choice. */
final class PartRepeat implements Edit
{
    private const MOST = 2000;

    public static function spec(): Spec
    {
        return new Spec('part-repeat', 'Repeat the part', Family::Part, 'Copies parts behind themselves.', [
            Param::integer('times', 'Times', 1, 200, 1),
            Param::choice('every', 'Every', ['own', 'bars', 'span'], 'own'),
        ], Needs::Parts, ['duplicate', 'copy', 'again'], [['times' => 2], ['every' => 'bars']], [Takes::Parts], ['song']);
    }

    public function apply(Work $work): Outcome
    {
        $builder = new ChangeBuilder;
        $parts = $work->wholeParts();
        $times = $work->params->integer('times');
        if ($times * count($parts) > self::MOST) {
            throw new Refusal(sprintf('That would be more than %d parts: nothing was copied.', self::MOST), 'times');
        }
        // All of them together, so that they keep their shape.
        [$from, $to] = [PHP_INT_MAX, 0];
        foreach ($parts as $part) {
            [$from, $to] = [min($from, $part->head->from), max($to, Contents::end($part, $work), $part->head->plays->until)];
        }
        $meters = $work->time()->meters;
        $every = match ($work->params->choice('every')) {
            'span' => $work->context->span()[1] - $work->context->span()[0],
            'bars' => $meters->barAt($to - 1)->end() - $meters->barAt($from)->start,
            default => $to - $from,
        };
        $ids = [];
        foreach ($parts as $part) {
            for ($i = 1; $i <= $times; $i++) {
                $copy = Contents::duplicate($builder, $part, $work, $i * $every);
                $ids[] = $copy->id;
            }
        }

        return new Outcome($builder->change(), new Selection(parts: $ids), sprintf('%s repeated%s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Say::parts(count($parts))), $times === 1 ? '' : ", $times times"));
    }
}

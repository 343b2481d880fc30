<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
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

/** Makes the window of parts the span, or the bars of the notes chosen in them. What lies outside is kept, out of sight. */
final class PartCrop implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-crop', 'Crop the part to the span', Family::Part, 'Makes the window of parts a stretch of time.', [
            Param::choice('over', 'Crop to', ['span', 'bars'], 'span'),
            Param::place('from', 'From', optional: true),
            Param::place('to', 'To', 1, optional: true),
        ], Needs::Parts, ['trim', 'window', 'cut'], [['from' => 960, 'to' => 3840]], [Takes::Parts, Takes::Notes], ['song', 'roll'], keeps: true, forms: [
            ['title' => 'Crop the part to the bars of the chosen notes', 'params' => ['over' => 'bars']],
        ]);
    }

    public function apply(Work $work): Outcome
    {
        [$from, $to] = self::window($work);
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $builder = new ChangeBuilder;
        $parts = $work->wholeParts() === [] ? $work->parts() : $work->wholeParts();
        foreach ($parts as $part) {
            $builder->head($part, $part->head->withWindow($from, $to));
        }

        return new Outcome($builder->change(), $work->selection, sprintf('%s cropped to %s–%s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Say::parts(count($parts))), $work->time()->position($from), $work->time()->position($to)));
    }

    /** @return array{int, int} */
    private static function window(Work $work): array
    {
        if ($work->params->choice('over') === 'bars') {
            if ($work->selection->isEmpty()) {
                throw new Refusal('No notes are chosen: nothing changed.');
            }
            [$from, $to] = $work->stretch();
            $meters = $work->time()->meters;

            return [$work->time()->meantBar($from)->start, $meters->barAt(max((int) $from, (int) $to - 1))->end()];
        }
        $span = $work->params->has('from') && $work->params->has('to') ? [0, 0] : $work->context->span();

        return [$work->params->has('from') ? $work->params->integer('from') : $span[0], $work->params->has('to') ? $work->params->integer('to') : $span[1]];
    }
}

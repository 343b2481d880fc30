<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Takes;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;

/** Makes the window of parts the span, or the bars of the notes chosen in them. What lies outside is kept, out of sight. */
final class PartCrop implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-crop', 'Crop the part to the span', Family::Part, 'Makes the window of parts a stretch of time.', [
            Param::place('from', 'From', default: new Word('span-start')),
            Param::place('to', 'To', 1, new Word('span-end')),
        ], Needs::Parts, ['trim', 'window', 'cut'], [['from' => 960, 'to' => 3840]], [Takes::Parts, Takes::Notes], ['song'], keeps: true);
    }

    public function apply(Work $work): Outcome
    {
        [$from, $to] = [$work->params->integer('from'), $work->params->integer('to')];
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $draft = new Draft;
        $parts = $work->wholeParts() === [] ? $work->parts() : $work->wholeParts();
        foreach ($parts as $part) {
            $draft->head($part, $part->head->withWindow($from, $to));
        }

        return new Outcome($draft->change(), $work->selection, sprintf('%s cropped to %s–%s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Say::parts(count($parts))), $work->time()->position($from), $work->time()->position($to)));
    }
}

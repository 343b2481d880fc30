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
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;

/** Makes the window of parts the span, or the bars of the selected notes in them. What lies outside is kept, out of sight. */
final class PartCrop implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('part-crop', 'Crop the part to the span', Family::Part, 'Crops parts to the span, or to the bars of the selected notes.', [
            Param::choice('over', 'Crop to', ['span', 'bars'], 'span'),
            Param::place('from', 'From', optional: true),
            Param::place('to', 'To', 1, optional: true),
        ], Requires::Parts, ['trim', 'window', 'cut'], [['from' => 960, 'to' => 3840]], [AppliesTo::Parts, AppliesTo::Notes], ['song', 'roll'], keeps: true, forms: [
            ['title' => 'Crop the part to the bars of the selected notes', 'params' => ['over' => 'bars']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        [$from, $to] = self::window($input);
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $builder = new ChangeBuilder;
        $heads = [];
        $parts = $input->wholeParts() === [] ? $input->parts() : $input->wholeParts();
        foreach ($parts as $part) {
            $heads[] = $head = $part->head->plays->until > PartContents::end($part, $input) ? self::loop($part, $from, $to, $input) : $part->head->withWindow($from, $to);
            $builder->head($part, $head);
        }
        [$from, $to] = count($heads) === 1 ? [$heads[0]->from, $heads[0]->soundsTo()] : [$from, $to];

        return new Outcome($builder->change(), $input->selection, sprintf('%s cropped to %s–%s.', (count($parts) === 1 ? "“{$parts[0]->name}”" : Wording::parts(count($parts))), $input->time()->position($from), $input->time()->position($to)));
    }

    /**
     * A part that loops, cropped to what is heard of it in a stretch: within one round it loops no longer, from the beginning
     * of a round on it loops up to the end of the stretch.
     *
     * @throws Refusal where the stretch begins within a round and goes on into the next: that is two parts
     */
    private static function loop(Part $part, int $from, int $to, EditInput $input): PartHead
    {
        $head = $part->head;
        $length = $head->to - $head->from;
        if ($to <= $head->from || $from >= $head->plays->until) {
            return $head->withWindow($from, $to)->playing($head->plays->goingTo(0));
        }
        $from = max($from, $head->from);
        $later = $from - $head->from - ($from - $head->from) % $length;
        $round = $head->moved($later);
        if ($to > $round->to && $from > $round->from) {
            throw new Refusal(sprintf('“%s” loops, and %s lies within a round: split it there, or crop it from %s. Nothing changed.', $part->name, $input->time()->position($from), $input->time()->position($round->from)), 'from');
        }

        return $round->withWindow($from, min($to, $round->to))->playing($round->plays->goingTo($to > $round->to ? $to : 0));
    }

    /** @return array{int, int} */
    private static function window(EditInput $input): array
    {
        if ($input->params->choice('over') === 'bars') {
            if ($input->selection->isEmpty()) {
                throw new Refusal('No notes are selected: nothing changed.');
            }
            [$from, $to] = $input->stretch();
            $meters = $input->time()->meters;

            return [$input->time()->meantBar($from)->start, $meters->barAt(max((int) $from, (int) $to - 1))->end()];
        }
        $span = $input->params->has('from') && $input->params->has('to') ? [0, 0] : $input->context->span();

        return [$input->params->has('from') ? $input->params->integer('from') : $span[0], $input->params->has('to') ? $input->params->integer('to') : $span[1]];
    }
}

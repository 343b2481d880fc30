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
use Jactonic\Core\Selection\Selection;

/** Splits parts at a place, at every so many bars, or at markers. Notes across a line are cut there; each piece begins
 * with what the lanes hold. What lies hidden before the first window stays with the first piece. */
final class PartSplit implements Edit
{
    private const MOST = 2000;

    public static function spec(): Spec
    {
        return new Spec('part-split', 'Split the part', Family::Part, 'Splits parts at a place, at bars or at markers.', [
            Param::place('at', 'At', 1, new Word('caret')),
            Param::choice('every', 'Instead at every', ['place', 'bars', 'marker'], 'place'),
            Param::integer('bars', 'Bars', 1, 1000, 1),
        ], Requires::Parts, ['cut', 'divide', 'scissors'], [['at' => 2000], ['every' => 'bars', 'bars' => 1, 'at' => 1], ['every' => 'marker', 'at' => 1]], [AppliesTo::Parts], ['song'], forms: [
            ['title' => 'Split the part at the caret', 'params' => []], ['title' => 'Split the part at every bar', 'params' => ['every' => 'bars', 'at' => 1]], ['title' => 'Split the part at the markers', 'params' => ['every' => 'marker', 'at' => 1]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $ids = [];
        $pieces = 0;
        foreach ($input->wholeParts() as $part) {
            $ids[] = $part->id;
            $end = PartContents::end($part, $input);
            $cuts = array_values(array_filter(self::places($input, $part, $end), static fn (int $tick): bool => $tick > $part->head->from && $tick < $end));
            if (count($cuts) > self::MOST) {
                throw new Refusal(sprintf('That would be more than %d parts: nothing was split.', self::MOST), 'every');
            }
            if ($cuts === []) {
                continue;
            }
            if ($part->head->plays->until > $end) {
                throw new Refusal(sprintf('“%s” loops: flatten it first, then split it. Nothing was split.', $part->name));
            }
            foreach ($cuts as $i => $from) {
                $to = $cuts[$i + 1] ?? $end;
                $new = $builder->newPart($input->score, new PartHead($part->head->track, $part->name.' '.($i + 2), $from, $from, $to, $part->head->muted, $part->head->plays->goingTo(0), true), $part->ownSettings());
                PartContents::copy($builder, $part, $new, $from, $to);
                $ids[] = $new->id;
                $pieces++;
            }
            foreach ($part->notes->all() as $note) {
                if ($note->start >= $cuts[0] && $part->head->holds($note->start)) {
                    $builder->drop($part, $note);
                } elseif ($note->start < $cuts[0] && $note->end() > $cuts[0]) {
                    $builder->put($part, $note->piece($note->start, $cuts[0], $note->id));
                }
            }
            foreach ($part->points->all() as $point) {
                if ($point->tick >= $cuts[0] && $point->tick < $end) {
                    $builder->dropPoint($part, $point);
                }
            }
            $builder->head($part, $part->head->withWindow($part->head->from, $cuts[0]));
        }

        return new Outcome($builder->change(), new Selection(parts: $ids), $pieces === 0 ? 'There is nowhere to split.' : sprintf('%s split into %d.', Wording::parts(count($ids) - $pieces), count($ids)));
    }

    /** @return list<int> ticks at which it is asked to be split, ascending */
    private static function places(EditInput $input, Part $part, int $end): array
    {
        $meters = $input->time()->meters;
        switch ($input->params->choice('every')) {
            case 'marker':
                return array_map(static fn (array $m): int => $m[0], $input->time()->markers());
            case 'bars':
                $places = [];
                for ($bar = $meters->barAt($part->head->from)->index + $input->params->integer('bars'); $meters->barNumber($bar)->start < $end && count($places) <= self::MOST; $bar += $input->params->integer('bars')) {
                    $places[] = $meters->barNumber($bar)->start;
                }

                return $places;
            default:
                return [$input->params->integer('at')];
        }
    }
}

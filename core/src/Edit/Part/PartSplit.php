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

/** Splits parts at a place, at every so many bars, at the lines of their grid, or at markers. Notes across a line are cut there; each piece begins
 * with what the lanes hold. What lies hidden before the first window stays with the first piece. What loops is split where it is heard: the
 * rounds after the split loop on. */
final class PartSplit implements Edit
{
    private const MOST = 2000;

    public static function spec(): Spec
    {
        return new Spec('part-split', 'Split the part', Family::Part, 'Splits parts at a place, at bars, at the lines of the grid or at markers.', [
            Param::place('at', 'At', 1, new Word('caret')),
            Param::choice('every', 'Instead at every', ['place', 'bars', 'grid', 'marker'], 'place'),
            Param::integer('bars', 'Bars', 1, 1000, 1),
        ], Requires::Parts, ['cut', 'divide', 'scissors'], [['at' => 2000], ['every' => 'bars', 'bars' => 1, 'at' => 1], ['every' => 'grid', 'at' => 1], ['every' => 'marker', 'at' => 1]], [AppliesTo::Parts], ['song'], forms: [
            ['title' => 'Split the part at the caret', 'params' => []], ['title' => 'Split the part at every bar', 'params' => ['every' => 'bars', 'at' => 1]], ['title' => 'Split the part at the grid', 'params' => ['every' => 'grid', 'at' => 1]], ['title' => 'Split the part at the markers', 'params' => ['every' => 'marker', 'at' => 1]],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $ids = [];
        $pieces = $rest = 0;
        foreach ($input->wholeParts() as $part) {
            $ids[] = $part->id;
            $head = $part->head;
            $end = PartContents::end($part, $input);
            $last = PartContents::last($part, $input);
            $cuts = array_values(array_filter(self::places($input, $part, $last), static fn (int $tick): bool => $tick > $head->from && $tick < $last));
            $made = $cuts === [] ? [] : LoopPieces::of($head->from, $end, $last, $cuts);
            if (count($made) > self::MOST) {
                throw new Refusal(sprintf('That would be more than %d parts: nothing was split.', self::MOST), 'every');
            }
            $rest += max(0, count($made) - count($cuts) - 1);
            $first = array_shift($made);
            if ($first === null) {
                continue;
            }
            foreach ($made as $i => $piece) {
                $new = $builder->newPart($input->score, new PartHead($head->track, $part->name.' '.($i + 2), $piece['from'], $piece['from'], $piece['to'], $head->muted, $head->plays->goingTo($piece['until']), true), $part->ownSettings());
                PartContents::copy($builder, $part, $new, $piece['from'] - $piece['later'], $piece['to'] - $piece['later'], $piece['later']);
                $ids[] = $new->id;
                $pieces++;
            }
            self::shorten($builder, $part, $first['to'], $end);
            $builder->head($part, $head->withWindow($head->from, $first['to'])->playing($head->plays->goingTo($first['until'])));
        }
        $outcome = new Outcome($builder->change(), new Selection(parts: $ids), $pieces === 0 ? 'There is nowhere to split.' : sprintf('%s split into %d.', Wording::parts(count($ids) - $pieces), count($ids)));

        return $rest === 0 ? $outcome : $outcome->with($outcome->change, $rest === 1 ? 'What is left of the round there is a part of its own.' : 'What is left of the rounds there are parts of their own.');
    }

    /** Takes what is heard after a place out of a part. */
    private static function shorten(ChangeBuilder $builder, Part $part, int $to, int $end): void
    {
        if ($to >= $end) {
            return;
        }
        foreach ($part->notes->all() as $note) {
            if ($note->start >= $to && $part->head->holds($note->start)) {
                $builder->drop($part, $note);
            } elseif ($note->start < $to && $note->end() > $to) {
                $builder->put($part, $note->piece($note->start, $to, $note->id));
            }
        }
        foreach ($part->points->all() as $point) {
            if ($point->tick >= $to && $point->tick < $end) {
                $builder->dropPoint($part, $point);
            }
        }
    }

    /** @return list<int> ticks at which it is asked to be split, ascending */
    private static function places(EditInput $input, Part $part, int $end): array
    {
        $meters = $input->time()->meters;
        switch ($input->params->choice('every')) {
            case 'marker':
                return array_map(static fn (array $m): int => $m[0], $input->time()->markers());
            case 'grid':
                $lines = $input->lines($part);
                $places = [];
                for ($line = $lines->after($part->head->from); $line < $end && count($places) <= self::MOST; $line = $lines->after($line)) {
                    $places[] = $line;
                }

                return $places;
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

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
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;

/**
 * Makes one note of neighbours of the same pitch and channel whose gap is at most `within`; touching and overlapping
 * ones too. The first gives velocity, mute and group; the one note is played from the first's played start to the
 * last's played end. Muted notes join only muted ones. The joined notes become the selection.
 */
final class Join implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('join', 'Join notes', Family::Structure, 'Joins neighbouring notes of the same pitch into one.', [
            Param::length('within', 'Gap at most', '1/16'),
        ], words: ['glue', 'merge', 'tie', 'connect', 'consolidate'], examples: [['within' => '16bar']]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $within = $input->params->step('within');
        $ids = [];
        foreach ($input->parts() as $part) {
            $lines = $input->lines($part);
            /** @var array<int, Note> $open the note that goes on, by row */
            $open = [];
            foreach ($part->inOrder($input->selection->notes[$part->id]) as $note) {
                $row = ($note->channel << 7 | $note->pitch) << 1 | (int) $note->muted;
                $first = $open[$row] ?? null;
                if ($first === null || $note->start - $first->end() > $within->distance($input->time(), $lines, 1, $first->end())) {
                    $open[$row] = $note;
                    $ids[$part->id][$note->id] = true;

                    continue;
                }
                $end = max($first->end(), $note->end());
                $played = max($first->playedStart() + $first->playedLength(), $note->playedStart() + $note->playedLength());
                $joined = $first->with([
                    'length' => $end - $first->start, 'release' => $end === $note->end() ? $note->release : $first->release,
                    'driftLength' => $played - $first->playedStart() - ($end - $first->start), 'carryLength' => 0.0,
                ]);
                $open[$row] = $joined;
                $builder->put($part, $joined);
                $builder->drop($part, $note);
            }
        }
        $left = array_sum(array_map('count', $ids));

        return new Outcome($builder->change(), new Selection(array_map(array_keys(...), $ids + array_map(static fn (): array => [], $input->selection->notes))),
            $left === $input->selection->count()
                ? Wording::notes($left).': none lies near enough to another of its pitch to be joined.'
                : Wording::notes($input->selection->count()).' joined to '.$left.'.');
    }
}

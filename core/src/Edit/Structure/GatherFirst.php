<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Selection;

/**
 * Keeps of each bar, or of each cell of another grid, only its first chord. The rest becomes the selection, or is
 * muted or deleted at once; then what was kept is chosen, ready for legato. With nothing chosen it works on the
 * whole part. A chord played a little early (half a sixteenth) belongs to the bar it is meant for.
 */
final class GatherFirst implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('gather-first', 'Keep the first chords', Family::Structure, 'Keeps the first chord of each bar; the rest is chosen, muted or deleted.', [
            Param::grid('each', 'Of each', default: 'bar'),
            Param::choice('rest', 'The rest is', ['chosen', 'muted', 'deleted'], 'chosen'),
            Param::number('gather', 'Notes of one chord lie within', 0, 1000, Chords::GATHER, 'ms'),
        ], Needs::Part, ['first', 'thin', 'pad', 'chords', 'reduce'], examples: [['rest' => 'deleted'], ['rest' => 'muted', 'each' => '1/2']]);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $rest = $work->params->choice('rest');
        $each = $work->params->grid('each');
        $lines = $work->time()->lines($each);
        $whole = $work->selection->isEmpty();
        $kept = $others = [];
        foreach ($work->parts() as $part) {
            $notes = $part->inOrder($whole ? null : $work->selection->notes[$part->id]);
            $first = array_fill_keys(Chords::firstOfEach($notes, $lines, $work->time(), $work->params->number('gather')), true);
            $kept[$part->id] = array_keys($first);
            $left = array_values(array_filter($notes, static fn (Note $n): bool => ! isset($first[$n->id])));
            $others[$part->id] = array_map(static fn (Note $n): int => $n->id, $left);
            foreach ($left as $note) {
                if ($rest === 'deleted') {
                    $draft->drop($part, $note);
                } elseif ($rest === 'muted') {
                    $draft->put($part, $note->withMuted(true));
                }
            }
        }
        $n = (new Selection($others))->count();

        return new Outcome($draft->change(), new Selection($rest === 'chosen' ? $others : $kept), sprintf('%s kept as the first chord of each %s; %s.',
            Say::notes((new Selection($kept))->count()), $each->name === 'bar' ? 'bar' : "$each->name cell",
            $n === 0 ? 'there were no others' : Say::notes($n).($n === 1 ? ' is ' : ' are ').$rest));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Requires;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Chords;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Grid;

/**
 * Keeps only the first chord: of each bar (or cell of another grid), of the span, or of each run of one chord (the same
 * pitches within the gather window, octaves and doublings as they are). The rest becomes the selection, or is muted or
 * deleted at once; then what was kept is selected, ready for legato. With nothing selected it works on the whole part. A
 * chord played a little early (half a sixteenth) belongs to the bar it is meant for.
 */
final class KeepFirstChords implements Edit
{
    public static function spec(): Spec
    {
        return new Spec('keep-first-chords', 'Keep the first chords', Family::Structure, 'Keeps the first chord of each bar, of the span, or of each change; the rest is selected, muted or deleted.', [
            Param::choice('of', 'The first of', ['bar' => 'each bar', 'span' => 'the span', 'change' => 'each change'], 'bar'),
            Param::grid('each', 'In place of bars, each', default: 'bar'),
            Param::choice('rest', 'The rest is', ['chosen' => 'selected', 'muted' => 'muted', 'deleted' => 'deleted'], 'chosen'),
            Param::gather(),
        ], Requires::Part, ['first', 'thin', 'pad', 'chords', 'reduce'], forms: [
            ['title' => 'Keep the first of each chord', 'params' => ['of' => 'change', 'rest' => 'deleted'], 'words' => ['pad', 'changes', 'repeated']],
            ['title' => 'Keep the first chord of each bar', 'params' => ['rest' => 'deleted'], 'words' => ['pad']],
        ], examples: [['rest' => 'deleted'], ['rest' => 'muted', 'each' => '1/2']], formerIds: ['gather-first']);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $rest = $input->params->choice('rest');
        $each = $input->params->grid('each');
        $of = $input->params->choice('of');
        $span = $of === 'span' ? $input->context->span() : null;
        $whole = $input->selection->isEmpty();
        $kept = $others = [];
        foreach ($input->parts() as $part) {
            $notes = $part->inOrder($whole ? null : $input->selection->notes[$part->id]);
            if ($span !== null) {
                $notes = array_values(array_filter($notes, static fn (Note $n): bool => $n->start >= $span[0] && $n->start < $span[1]));
            }
            $first = array_fill_keys($this->first($input, $part, $of, $each, $notes), true);
            $kept[$part->id] = array_keys($first);
            $left = array_values(array_filter($notes, static fn (Note $n): bool => ! isset($first[$n->id])));
            $others[$part->id] = array_map(static fn (Note $n): int => $n->id, $left);
            foreach ($left as $note) {
                if ($rest === 'deleted') {
                    $builder->drop($part, $note);
                } elseif ($rest === 'muted') {
                    $builder->put($part, $note->withMuted(true));
                }
            }
        }
        $n = (new Selection($others))->count();

        return new Outcome($builder->change(), new Selection($rest === 'chosen' ? $others : $kept), sprintf('%s kept as the first chord of each %s; %s.',
            Wording::notes((new Selection($kept))->count()), match (true) {
                $of === 'change' => 'run of one chord',
                $of === 'span' => 'part in the span',
                default => $each->name === 'bar' ? 'bar' : "$each->name cell",
            },
            $n === 0 ? 'there were no others' : Wording::notes($n).($n === 1 ? ' is ' : ' are ').($rest === 'chosen' ? 'selected' : $rest)));
    }

    /**
     * @param  list<Note>  $notes  in order
     * @return list<int> the ids of those that are kept
     */
    private function first(EditInput $input, Part $part, string $of, Grid $each, array $notes): array
    {
        $time = $input->time();
        $gather = $input->gather($part);

        return match ($of) {
            'change' => Chords::changes($notes, $time, $gather),
            'span' => array_map(static fn (Note $n): int => $n->id, Chords::of($notes, $time, $gather)[0] ?? []),
            default => Chords::firstOfEach($notes, $time->lines($each), $time, $gather),
        };
    }
}

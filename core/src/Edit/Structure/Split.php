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
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Lines;

/**
 * Cuts notes: at every line of the grid inside them (swing included), at one tick, or into N equal pieces (to a tick).
 * Pieces keep velocity, mute, group and channel; each stands as far from where it was played as the note did, and the
 * last has what the note's end had. All pieces become the selection. A note that no cut falls into stays whole, and so
 * does one shorter than N ticks; those are counted.
 */
final class Split implements Edit
{
    /** Share of a cell: a line nearer than that to either end of a note does not cut it. */
    private const SLIVER = 0.25;

    public static function spec(): Spec
    {
        return new Spec('split', 'Split notes', Family::Structure, 'Splits notes at the grid, at a place, or into equal pieces.', [
            Param::integer('into', 'Into equal pieces', 2, 64, optional: true),
            Param::place('at', 'At one place', 1, optional: true),
            Param::grid('grid', 'At the lines of', setting: 'grid'),
            Param::number('swing', 'Swing of the lines', 50, 75, Lines::STRAIGHT, '%', setting: 'swing'),
        ], words: ['cut', 'divide', 'slice', 'chop', 'roll', 'triplet', 'repeat'], forms: array_map(static fn (array $f): array => ['title' => "Split in $f[0]", 'params' => ['into' => $f[1]], 'words' => ['pieces', 'roll']], [
            ['two', 2], ['three', 3], ['four', 4], ['six', 6], ['eight', 8],
        ]), examples: [[], ['into' => 3], ['at' => 6000], ['grid' => '1/32', 'swing' => 60]]);
    }

    public function apply(EditInput $input): Outcome
    {
        if ($input->params->has('into') && $input->params->has('at')) {
            throw new Refusal('“into” and “at” were both given; a note is split one way at a time.', 'into');
        }
        $builder = new ChangeBuilder;
        $ids = [];
        $whole = 0;
        foreach ($input->parts() as $part) {
            $ids[$part->id] = [];
            foreach ($input->chosen($part) as $note) {
                $cuts = $this->cuts($input, $part, $note);
                $whole += $cuts === [] ? 1 : 0;
                $from = $note->start;
                $edges = [...$cuts, $note->end()];
                foreach ($edges as $i => $to) {
                    $last = $i === count($edges) - 1;
                    $piece = $note->with([
                        'id' => $i === 0 ? $note->id : $builder->newId($part), 'start' => $from, 'length' => $to - $from,
                        'release' => $last ? $note->release : Note::RELEASE, 'driftLength' => $last ? $note->driftLength : 0,
                        'carryStart' => $i === 0 ? $note->carryStart : 0.0, 'carryLength' => $last ? $note->carryLength : 0.0,
                    ]);
                    $builder->put($part, $piece);
                    $ids[$part->id][] = $piece->id;
                    $from = $to;
                }
            }
        }
        $selection = new Selection($ids);

        return new Outcome($builder->change(), $selection, match (true) {
            $whole === $input->selection->count() => Wording::notes($whole).': there is nowhere to cut.',
            $whole > 0 => sprintf('%s split into %d; %d stayed whole.', Wording::notes($input->selection->count() - $whole), $selection->count() - $whole, $whole),
            default => sprintf('%s split into %d.', Wording::notes($input->selection->count()), $selection->count()),
        });
    }

    /** @return list<int> ticks inside the note, in order */
    private function cuts(EditInput $input, Part $part, Note $note): array
    {
        $params = $input->params;
        if ($params->has('into')) {
            $into = $params->integer('into');

            return $note->length < $into ? [] : array_map(
                static fn (int $i): int => $note->start + Note::whole($i * $note->length / $into), range(1, $into - 1));
        }
        if ($params->has('at')) {
            $at = $params->integer('at');

            return $at > $note->start && $at < $note->end() ? [$at] : [];
        }
        $lines = $input->time()->lines($params->grid('grid', $part->ownSettings()), $params->number('swing', $part->ownSettings()));
        $cuts = [];
        for ($line = $lines->after($note->start); $line < $note->end(); $line = $lines->after($line)) {
            // Played a little early, or held a little over, a note yields no sliver.
            $least = $lines->cell($line) * self::SLIVER;
            if ($line - $note->start >= $least && $note->end() - $line >= $least) {
                $cuts[] = $line;
            }
        }

        return $cuts;
    }
}

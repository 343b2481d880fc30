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
use Jactonic\Core\Param\CaretRow;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Param\Word;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\Lines;

/**
 * Lays a run of notes of one pitch, one on every line of the grid from a place up to another, each up to the next line.
 * They have the pen's velocity, or rise from it by an amount to the last. A line on which that pitch starts already is
 * left as it is, and counted. Without places it fills the bar of the caret, on the caret's row.
 */
final class InsertRun implements Edit
{
    /** More are no run but a mistake. */
    private const MOST = 4096;

    public static function spec(): Spec
    {
        return new Spec('insert-run', 'Fill with notes', Family::Structure, 'Puts a note of one pitch on every grid line.', [
            Param::pitch('pitch', 'Pitch', default: new CaretRow),
            Param::place('from', 'From', default: new Word('bar')),
            Param::place('to', 'Up to', 1, new Word('next-bar')),
            Param::grid('grid', 'On the lines of', setting: 'grid'),
            Param::number('swing', 'Swing of the lines', 50, 75, Lines::STRAIGHT, '%', setting: 'swing'),
            Param::integer('rise', 'Louder toward the end by, below 0 for softer', -126, 126, 0),
        ], Requires::Part, ['hats', 'fill', 'roll', 'sixteenths', 'every line', 'draw', 'run', 'lay'], [['pitch' => 42, 'from' => 0, 'to' => 3840], ['pitch' => 'snare', 'from' => 100, 'to' => 2000, 'grid' => '1/32', 'rise' => 30]], forms: [
            ['title' => 'Fill the bar with notes', 'params' => []],
            ['title' => 'Fill the span with notes', 'params' => ['from' => 'span-start', 'to' => 'span-end']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $input->part();
        $pitch = $input->params->integer('pitch');
        $to = $input->params->integer('to');
        $lines = $input->time()->lines($input->params->grid('grid', $part->ownSettings()), $input->params->number('swing', $part->ownSettings()));
        $starts = [];
        for ($line = $lines->around($input->params->integer('from'))[0]; $line < $to; $line = $lines->after($line)) {
            if ($line >= $input->params->integer('from')) {
                $starts[] = $line;
            }
            if (count($starts) > self::MOST) {
                throw new Refusal(sprintf('That would be more than %d notes: nothing was inserted.', self::MOST), 'to');
            }
        }
        $channel = $input->score->channelOf($part);
        $pen = $part->settings()->penVelocity;
        $ids = [];
        foreach ($starts as $i => $start) {
            if (array_filter($part->notes->at($start), static fn (Note $n): bool => $n->pitch === $pitch) !== []) {
                continue;
            }
            $rise = count($starts) < 2 ? 0 : $input->params->integer('rise') * $i / (count($starts) - 1);
            $velocity = max(Note::SOFTEST, min(Note::LOUDEST, (int) round($pen + $rise)));
            $note = new Note($builder->newId($part), $start, max(1, min($to, $lines->after($start)) - $start), $pitch, $velocity, channel: $channel);
            $builder->put($part, $note);
            $ids[] = $note->id;
        }
        $there = count($starts) - count($ids);

        return new Outcome($builder->change(), new Selection([$part->id => $ids]), sprintf('%s of %s inserted%s.', Wording::notes(count($ids)),
            Wording::pitch($pitch, $input->score, $channel === GeneralMidi::DRUM_CHANNEL), $there === 0 ? '' : ($there === 1 ? '; 1 was there already' : "; $there were there already")));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Change\Change;
use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Param\Param;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Bar;
use Jactonic\Core\Time\Timeline;

/**
 * Puts a phrase into another meter, bar by bar from the bar in which it begins: each bar stretched to the new length, or
 * its notes left at their beats and the rest of the bar filled with silence. Filled, no note may stand at a beat that
 * the new bar has not: then it is refused whole. A note that begins a little early belongs to the bar that it is meant
 * for. The song's meter is set there too, unless that is left out; after the phrase the meter goes on as it was.
 */
final class ToMeter implements Edit
{
    private const UNITS = ['1', '2', '4', '8', '16', '32'];

    public static function spec(): Spec
    {
        return new Spec('to-meter', 'Fit to another meter', Family::Structure, 'Fits the phrase to another meter, bar by bar.', [
            Param::integer('beats', 'Beats', 1, 64, 4),
            Param::choice('unit', 'Unit', self::UNITS, '4'),
            Param::choice('how', 'Bars are', ['stretch' => 'stretched', 'fill' => 'filled with silence'], 'stretch'),
            Param::choice('meter', 'The song’s meter', ['set' => 'changes, too', 'stays' => 'stays'], 'set'),
        ], words: ['time signature', 'waltz', '3/4', '4/4', '6/8', 'odd', 'put into'], examples: [['beats' => 3], ['beats' => 7, 'unit' => '8', 'meter' => 'stays'], ['beats' => 6, 'how' => 'fill']], keeps: true, forms: [
            ['title' => 'Into 3/4', 'params' => ['beats' => 3], 'words' => ['waltz', 'meter']],
            ['title' => 'Into 4/4', 'params' => ['beats' => 4], 'words' => ['meter']],
        ]);
    }

    public function apply(EditInput $input): Outcome
    {
        $time = $input->time();
        [$beats, $unit] = [$input->params->integer('beats'), (int) $input->params->choice('unit')];
        $length = intdiv(4 * $time->ppq * $beats, $unit);
        if ($length < 1) {
            throw Refusal::parameter('beats', $beats, 'more beats: a bar would be shorter than a tick');
        }
        $first = $time->meantBar(Note::whole($input->firstStart()));
        $fills = $input->params->choice('how') === 'fill';
        $builder = new ChangeBuilder;
        $last = $first->index;
        foreach ($input->parts() as $part) {
            foreach ($input->chosen($part) as $note) {
                $bar = $time->meantBar($note->start);
                $last = max($last, $bar->index);
                if ($fills && $note->start - $bar->start >= $length) {
                    throw new Refusal(sprintf('%s is on a beat that a bar of %d/%d does not have: nothing changed. With bars stretched it fits.', Wording::note($note, $input->score), $beats, $unit), 'how');
                }
                $start = self::place($note->start + $note->carryStart, $bar, $first, $length, $fills);
                $end = $note->end() + $note->carryStart + $note->carryLength;
                $endBar = $end <= $bar->end() ? $bar : $time->meters->barAt((int) $end - 1);
                $factor = $fills ? 1.0 : $length / ($bar->end() - $bar->start);
                $builder->put($part, $note->stretched(max(0.0, $start), max(1.0, self::place($end, $endBar, $first, $length, $fills) - $start), $factor));
            }
        }
        $bars = $last - $first->index + 1;
        $change = $input->params->choice('meter') === 'set' ? self::meters($time, $first, $bars, $beats, $unit, $length) : null;

        return new Outcome(new Change($builder->change()->parts, $change), $input->selection, sprintf('%s, %s, fitted to %d/%d%s.', Wording::notes($input->selection->count()),
            $bars === 1 ? '1 bar' : "$bars bars", $beats, $unit, $fills ? ', with silence where a bar is longer' : ''));
    }

    /** Where a place of a bar comes to; of a bar that is filled, no farther than its end. */
    private static function place(float $place, Bar $bar, Bar $first, int $length, bool $fills): float
    {
        $start = $first->start + ($bar->index - $first->index) * $length;
        $in = $place - $bar->start;

        return $start + ($fills ? min($in, $length) : $in * $length / ($bar->end() - $bar->start));
    }

    /** The meter from the first bar on, and after the phrase those that there were. */
    private static function meters(Timeline $time, Bar $first, int $bars, int $beats, int $unit, int $length): ?TimeChange
    {
        $after = $time->meters->barNumber($first->index + $bars);
        [$end, $until] = [$first->start + $bars * $length, $after->start];
        $rows = array_values(array_filter($time->meterRows, static fn (array $r): bool => $r[0] < $first->start || $r[0] >= max($end, $until)));
        $rows[] = [$first->start, $beats, $unit, 24, 8, 0, 0];
        if (array_filter($rows, static fn (array $r): bool => $r[0] === $end) === []) {
            $rows[] = [$end, $after->meter->beats, $after->meter->unit, 24, 8, 0, 0];
        }

        usort($rows, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return TimeChange::between($time, Timeline::of($time->ppq, $time->tempoRows, $rows, $time->markerRows));
    }
}

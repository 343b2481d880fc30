<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Structure;

use Jactonic\Core\Edit\Draft;
use Jactonic\Core\Edit\Edit;
use Jactonic\Core\Edit\Family;
use Jactonic\Core\Edit\Needs;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Param;
use Jactonic\Core\Edit\Say;
use Jactonic\Core\Edit\Spec;
use Jactonic\Core\Edit\Work;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Lines;

/**
 * Puts notes into the part: those given, at their own ticks or, with `at`, with the earliest of them there and the
 * rest in their places from it (which is what paste does). With `anchor`, that place among them goes there instead, but
 * the earliest not before the song's start. A note without a length or a velocity takes the pen's, or the velocity of
 * one of the part's four touches, one without a channel the part's. They go into the first part that the selection names, and become the selection.
 */
final class Insert implements Edit
{
    /** Velocity where neither the note nor a pen says one. */
    private const VELOCITY = 90;

    public static function spec(): Spec
    {
        return new Spec('insert', 'Insert notes', Family::Structure, 'Puts notes into the part.', [
            Param::notes('notes', 'Notes'),
            Param::integer('at', 'Tick of the first', 0, PHP_INT_MAX >> 20, unit: 'ticks', optional: true),
            Param::integer('anchor', 'What goes there instead of the first', 0, PHP_INT_MAX >> 20, unit: 'ticks', optional: true),
            Param::integer('touch', 'Touch, where a note says no velocity', 1, 4, optional: true),
        ], Needs::Part, ['add', 'draw', 'paste', 'new', 'create'], examples: [['notes' => [['start' => 5, 'length' => 10, 'pitch' => 60]], 'at' => 700], ['notes' => [['start' => 999, 'pitch' => 61], ['start' => 0, 'pitch' => 3]]]]);
    }

    public function apply(Work $work): Outcome
    {
        $draft = new Draft;
        $part = $work->parts()[0];
        $given = $work->params->notes('notes');
        if ($given === []) {
            return new Outcome($draft->change(), $work->selection, 'There was nothing to insert: nothing changed.');
        }
        $earliest = array_reduce($given, static fn (int $least, array $new): int => min($least, $new['start']), PHP_INT_MAX);
        $anchor = $work->params->has('anchor') ? $work->params->integer('anchor') : $earliest;
        $shift = $work->params->has('at') ? max(-$earliest, $work->params->integer('at') - $anchor) : 0;
        $ids = [];
        foreach ($given as $new) {
            $start = $new['start'] + $shift;
            $last = new Note($draft->newId($part), $start, $new['length'] > 0 ? $new['length'] : $this->penLength($work, $part, $start), $new['pitch'],
                $new['velocity'] > 0 ? $new['velocity'] : $this->penVelocity($work, $part),
                $new['release'], $new['muted'] === 1, $new['group'], $new['channel'] >= 0 ? $new['channel'] : $part->channel(), $new['driftStart'], $new['driftLength']);
            if ($last->end() > PHP_INT_MAX >> 19) {
                throw new Refusal('A note would lie past the end of time: nothing was inserted.', 'at');
            }
            $draft->put($part, $last);
            $ids[] = $last->id;
        }

        return new Outcome($draft->change(), new Selection([$part->id => $ids]), count($ids) === 1
            ? Say::note($last, $work->time()).' inserted.'
            : Say::notes(count($ids)).' inserted.');
    }

    private function penVelocity(Work $work, Part $part): int
    {
        return $work->params->has('touch')
            ? ($part->settings ?? PartSettings::fresh())->touch($work->params->integer('touch'))
            : $part->settings->penVelocity ?? self::VELOCITY;
    }

    /** The pen's length in ticks: that of the note last touched, its own value, or one cell of the part's grid. */
    private function penLength(Work $work, Part $part, int $start): int
    {
        $settings = $part->settings ?? PartSettings::fresh();

        if ($settings->lengthFrom === 'touched' && $settings->touchedLength !== null) {
            return $settings->touchedLength;
        }

        return max(1, (int) round($work->time()->lines($settings->penLength ?? $settings->grid, Lines::STRAIGHT)->cell($start)));
    }
}

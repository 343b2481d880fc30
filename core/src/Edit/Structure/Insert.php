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
use Jactonic\Core\Param\Place;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Selection\Selection;

/**
 * Puts notes into the part: those given, at their own ticks or, with `at`, with the earliest of them there and the
 * rest in their places from it (which is what paste does). With `anchor`, that place among them goes there instead, but
 * the earliest not before the song's start. A note without a length or a velocity takes the pen's, or the velocity of
 * one of the part's four touches, one without a channel the part's. A single
 * note put where one of its pitch begins sets that one's velocity instead. They go into the first part that the selection names, and are selected then.
 * Writing goes on at the next cell, or past the last of them where the pen has a length of its own.
 */
final class Insert implements Edit
{
    /** Velocity where neither the note nor a pen says one. */
    private const VELOCITY = 90;

    public static function spec(): Spec
    {
        return new Spec('insert', 'Insert notes', Family::Structure, 'Inserts notes into the part.', [
            Param::notes('notes', 'Notes'),
            Param::place('at', 'Place of the first', optional: true),
            Param::integer('anchor', 'What goes there instead of the first', 0, PHP_INT_MAX >> 20, unit: 'ticks', optional: true),
            Param::curves('points', 'Points of the lanes under them'),
            Param::integer('touch', 'Touch, where a note says no velocity', 1, 4, optional: true),
        ], Requires::Part, ['add', 'draw', 'paste', 'new', 'create'], asked: false, examples: [['notes' => [['start' => 5, 'length' => 10, 'pitch' => 60]], 'at' => 700], ['notes' => [['start' => 999, 'pitch' => 61], ['start' => 0, 'pitch' => 3]]]]);
    }

    public function apply(EditInput $input): Outcome
    {
        $builder = new ChangeBuilder;
        $part = $input->part();
        $given = $input->params->notes('notes');
        if ($given === []) {
            return new Outcome($builder->change(), $input->selection, 'There was nothing to insert: nothing changed.');
        }
        $earliest = array_reduce($given, static fn (int $least, array $new): int => min($least, $new['start']), PHP_INT_MAX);
        $anchor = $input->params->has('anchor') ? $input->params->integer('anchor') : $earliest;
        $shift = $input->params->has('at') ? max(-$earliest, $input->params->integer('at') - $anchor) : 0;
        if (count($given) === 1 && ($there = $this->standing($input, $part, $given[0], $given[0]['start'] + $shift)) !== null) {
            return $this->again($input, $part, $there, $given[0]);
        }
        $ids = [];
        foreach ($given as $new) {
            $start = $new['start'] + $shift;
            $last = Table::notes()->one([
                'id' => $builder->newId($part), 'start' => $start,
                'length' => $new['length'] > 0 ? $new['length'] : $part->settings()->penTicks($input->time(), $start),
                'velocity' => $this->velocity($input, $part, $new),
                'channel' => $new['channel'] >= 0 ? $new['channel'] : $input->score->channelOf($part),
            ] + $new);
            if ($last->end() > Place::LAST) {
                throw new Refusal('A note would lie past the end of time: nothing was inserted.', 'at');
            }
            $last = $builder->regrouped($part, $last);
            $builder->put($part, $last);
            $ids[] = $last->id;
        }
        $curves = $input->params->curves('points');
        if (! $curves->isEmpty()) {
            $ends = array_map(static fn (array $new): int => $new['start'] + max(1, $new['length']), $given);
            LanesUnderNotes::put($builder, $input, $part, $curves, $shift, $earliest + $shift, max($ends) + $shift);
        }
        $outcome = new Outcome($builder->change(), new Selection([$part->id => $ids]), count($ids) === 1
            ? Wording::note($last, $input->score).' inserted.'
            : Wording::notes(count($ids)).' inserted.');

        return $outcome->caretAt($part->settings()->penGoesOn($input->time(), $last->start, $last->length));
    }

    /**
     * The note that stands where a new one would begin, on its pitch and channel.
     *
     * @param  array<string, int>  $new
     */
    private function standing(EditInput $input, Part $part, array $new, int $start): ?Note
    {
        $channel = $new['channel'] >= 0 ? $new['channel'] : $input->score->channelOf($part);
        foreach ($part->notes->at($start) as $note) {
            if ($note->pitch === $new['pitch'] && $note->channel === $channel) {
                return $note;
            }
        }

        return null;
    }

    /**
     * A note that is there already gets the velocity of the one that would have come to lie on it.
     *
     * @param  array<string, int>  $new
     */
    private function again(EditInput $input, Part $part, Note $there, array $new): Outcome
    {
        $builder = new ChangeBuilder;
        $velocity = $this->velocity($input, $part, $new);
        $builder->put($part, $there->withVelocity($velocity));
        $outcome = new Outcome($builder->change(), new Selection([$part->id => [$there->id]]),
            Wording::note($there, $input->score).($there->velocity === $velocity ? " is there already, velocity $velocity." : " was there: velocity $velocity."));

        return $outcome->caretAt($part->settings()->penGoesOn($input->time(), $there->start, $there->length));
    }

    /** @param  array<string, int>  $new */
    private function velocity(EditInput $input, Part $part, array $new): int
    {
        return $new['velocity'] > 0 ? $new['velocity'] : $this->penVelocity($input, $part);
    }

    private function penVelocity(EditInput $input, Part $part): int
    {
        return $input->params->has('touch')
            ? $part->settings()->touch($input->params->integer('touch'))
            : $part->ownSettings()->penVelocity ?? self::VELOCITY;
    }
}

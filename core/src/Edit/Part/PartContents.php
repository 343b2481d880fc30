<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Part;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Edit\Track\ChannelChange;
use Jactonic\Core\Edit\Wording;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Sounding\Sounding;

/** What edits of parts have in common: what a stretch of a part holds, put into another. */
final class PartContents
{
    /**
     * Moves a part with all that is in it.
     *
     * @throws Refusal where it, or something in it, would begin before the song
     */
    public static function move(ChangeBuilder $builder, Part $part, int $ticks, ?int $track = null): void
    {
        $head = $part->head->moved($ticks);
        if ($head->from < 0 || ($ticks < 0 && min($part->notes->least() ?? -$ticks, $part->points->least() ?? -$ticks) + $ticks < 0)) {
            throw new Refusal(sprintf('“%s” would begin before the song: nothing moved.', $part->name));
        }
        $builder->head($part, $track === null ? $head : $head->onTrack($track));
    }

    /**
     * Another part like this one, later or on another track, with all that is in it.
     *
     * @param  int|null  $channel  of the sound that it comes to, which it plays with; null to keep its own
     *
     * @throws Refusal as `move`
     */
    public static function duplicate(ChangeBuilder $builder, Part $part, EditInput $input, int $ticks, ?int $track = null, ?int $channel = null): Part
    {
        $head = $part->head->to === PartHead::OPEN ? $part->head->withWindow($part->head->from, self::end($part, $input)) : $part->head;
        $head = $head->moved($ticks);
        if ($head->from < 0) {
            throw new Refusal(sprintf('“%s” would begin before the song: nothing was copied.', $part->name));
        }
        $copy = $builder->newPart($input->score, $track === null ? $head : $head->onTrack($track), $part->ownSettings());
        foreach ($part->notes->all() as $note) {
            if ($note->start + $ticks >= 0) {
                $builder->put($copy, $note->movedTo($note->start + $note->carryStart + $ticks)->with($channel === null ? [] : ['channel' => $channel]));
            }
        }
        foreach ($part->points->all() as $point) {
            if ($point->tick + $ticks >= 0 && ($channel === null || ! ChannelChange::isSound($point))) {
                $builder->putPoint($copy, $point->movedTo($point->tick + $ticks)->with($channel === null ? [] : ['status' => ($point->status & 0xF0) | $channel]));
            }
        }

        return $copy;
    }

    /** Where the window of a part ends; of one without an end, at the bar line after its last note. */
    public static function end(Part $part, EditInput $input): int
    {
        return $part->head->to !== PartHead::OPEN ? $part->head->to : max($part->head->from + 1, $input->time()->meters->barAt(max($part->head->from, $part->lastEnd() - 1))->end());
    }

    /**
     * Puts what sounds in a stretch of a part into another: notes cut at its edges, points, and what each lane holds where
     * it begins.
     *
     * @param  int  $later  ticks, whole rounds of a part that loops
     */
    public static function copy(ChangeBuilder $builder, Part $from, Part $into, int $start, int $end, int $later = 0): void
    {
        foreach ($from->notes->all() as $note) {
            if ($note->start >= max($start, $from->head->from) && $note->start < min($end, $from->head->to)) {
                self::put($builder, $into, self::later($note->piece($note->start, min($note->end(), $end), $note->id), $later));
            } elseif ($note->start < $start && $note->start >= $from->head->from && $note->end() > $start) {
                self::put($builder, $into, self::later($note->piece($start, min($note->end(), $end), $note->id), $later));
            }
        }
        // A round begins with what its part begins with.
        foreach ($later === 0 || $start > $from->head->from ? self::state($from, $start) : [] as $point) {
            $builder->putPoint($into, $point->copiedAs($builder->newPointId($into))->movedTo($start + $later));
        }
        foreach ($from->points->all() as $point) {
            if ($point->tick >= $start && $point->tick < $end) {
                $builder->putPoint($into, $point->copiedAs($builder->newPointId($into))->movedTo($point->tick + $later));
            }
        }
    }

    private static function later(Note $note, int $ticks): Note
    {
        return $ticks === 0 ? $note : $note->movedTo($note->start + $note->carryStart + $ticks);
    }

    /** The tick up to which a part is heard, its rounds included. */
    public static function last(Part $part, EditInput $input): int
    {
        return max(self::end($part, $input), $part->head->plays->until);
    }

    /**
     * The stretch in which parts are heard, what a delay moves out of their windows included.
     *
     * @param  non-empty-list<Part>  $parts
     * @return array{int, int}
     */
    public static function stretch(array $parts, EditInput $input): array
    {
        $from = $to = [];
        foreach ($parts as $part) {
            $from[] = $part->head->from;
            $to[] = self::last($part, $input);
            foreach ($part->head->plays->delay === 0 ? [] : Sounding::notes($part->withHead($part->head->withMuted(false)), $input->time()) as $note) {
                $from[] = $note->start;
                $to[] = $note->end();
            }
        }

        return [min($from), max($to)];
    }

    /**
     * Puts what is heard of a part into another, with all that it plays as. What is muted goes in muted, so that nothing is
     * lost; points cannot be muted, and those of a muted part would be heard: they are left out.
     *
     * @return int how many points were left out
     */
    public static function heard(ChangeBuilder $builder, Part $part, Part $into, EditInput $input): int
    {
        $mutes = $part->head->muted && ! $into->head->muted;
        $part = $part->withHead($part->head->withMuted(false));
        foreach (Sounding::notes($part, $input->time()) as $note) {
            self::put($builder, $into, $mutes ? $note->with(['muted' => true]) : $note);
        }
        foreach ($part->notes->all() as $note) {
            if ($note->muted && $part->head->holds($note->start)) {
                self::put($builder, $into, $note);
            }
        }
        $points = Sounding::points($part, $input->time());
        foreach ($mutes ? [] : $points as $point) {
            $builder->putPoint($into, $point->copiedAs($builder->newPointId($into)));
        }

        return $mutes ? count($points) : 0;
    }

    /** What is said of points that `heard` left out. */
    public static function withoutPoints(Outcome $outcome, int $count): Outcome
    {
        return $count === 0 ? $outcome : $outcome->warn(Wording::points($count).' of muted parts '.($count === 1 ? 'is' : 'are').' left out: points cannot be muted.');
    }

    /**
     * What each lane holds at a tick: its last point before it, where none stands there.
     *
     * @return list<Point> in the order in which they came
     */
    public static function state(Part $part, int $tick): array
    {
        $last = $there = [];
        foreach ($part->points->all() as $point) {
            $lane = Lane::of($point)->name.' '.($point->status & 0x0F);
            if ($point->tick === $tick) {
                $there[$lane] = true;
            } elseif ($point->tick < $tick && $point->tick >= ($last[$lane]->tick ?? 0)) {
                $last[$lane] = $point;
            }
        }

        return array_values(array_diff_key($last, $there, ['note-off' => 0]));
    }

    private static function put(ChangeBuilder $builder, Part $into, Note $note): void
    {
        $builder->put($into, $note->copiedAs($builder->newId($into)));
    }
}

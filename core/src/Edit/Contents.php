<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Sounding\Sounding;

/** What edits of parts have in common: what a stretch of a part holds, put into another. */
final class Contents
{
    /**
     * Moves a part with all that is in it.
     *
     * @throws Refusal where it, or something in it, would begin before the song
     */
    public static function move(Draft $draft, Part $part, int $ticks, ?int $track = null): void
    {
        $head = $part->head->moved($ticks);
        /** @var list<int> $places */
        $places = $ticks < 0 ? [...$part->notes->column('start'), ...$part->points->column('tick')] : [];
        if ($head->from < 0 || ($places !== [] && min($places) + $ticks < 0)) {
            throw new Refusal(sprintf('“%s” would begin before the song: nothing moved.', $part->name));
        }
        $draft->head($part, $track === null ? $head : $head->onTrack($track));
    }

    /** Where the window of a part ends; of one without an end, at the bar line after its last note. */
    public static function end(Part $part, Work $work): int
    {
        return $part->head->to !== PartHead::OPEN ? $part->head->to : max($part->head->from + 1, $work->time()->meters->barAt(max($part->head->from, $part->lastEnd() - 1))->end());
    }

    /**
     * Puts what sounds in a stretch of a part into another: notes cut at its edges, points, and what each lane holds where
     * it begins.
     */
    public static function copy(Draft $draft, Part $from, Part $into, int $start, int $end): void
    {
        foreach ($from->notes->all() as $note) {
            if ($note->start >= max($start, $from->head->from) && $note->start < min($end, $from->head->to)) {
                self::put($draft, $into, $note->piece($note->start, min($note->end(), $end), $note->id));
            } elseif ($note->start < $start && $note->start >= $from->head->from && $note->end() > $start) {
                self::put($draft, $into, $note->piece($start, min($note->end(), $end), $note->id));
            }
        }
        foreach (self::state($from, $start) as $point) {
            $draft->putPoint($into, $point->copiedAs($draft->newPointId($into))->movedTo($start));
        }
        foreach ($from->points->all() as $point) {
            if ($point->tick >= $start && $point->tick < $end) {
                $draft->putPoint($into, $point->copiedAs($draft->newPointId($into)));
            }
        }
    }

    /** Puts what is heard of a part into another, with all that it plays as. */
    public static function heard(Draft $draft, Part $part, Part $into, Work $work): void
    {
        foreach (Sounding::notes($part, $work->time()) as $note) {
            self::put($draft, $into, $note);
        }
        foreach (Sounding::points($part, $work->time()) as $point) {
            $draft->putPoint($into, $point->copiedAs($draft->newPointId($into)));
        }
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

    private static function put(Draft $draft, Part $into, Note $note): void
    {
        $draft->put($into, $note->copiedAs($draft->newId($into)));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Sounding;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\Timeline;

/**
 * From a part to what is heard of it. The exporter writes this and the player plays it; nobody else decides what
 * sounds. What starts inside the window sounds, and is cut at its end; muted notes and parts do not. What the part plays
 * as comes upon that: rounds, transposition, loudness, delay. What still holds where it ends is let go.
 */
final class Sounding
{
    /** Notes and points that a part makes by going round, at most. */
    public const MOST = 100_000;

    /** The columns of a note on which it hangs how long it sounds. */
    public const HANGS_ON = ['start', 'length', 'muted'];

    /**
     * The tick up to which a note sounds; 0 where it does not.
     */
    public static function until(Note $note, PartHead $head): int
    {
        return self::untilsOf([$note->start], [$note->length], [$note->muted], $head)[0];
    }

    /**
     * The same for all notes of a part, out of its columns: no note is made for it.
     *
     * @return list<int> in the order of its rows
     */
    public static function untils(Part $part): array
    {
        return self::untilsOf($part->notes->integers('start'), $part->notes->integers('length'), $part->notes->column('muted'), $part->head);
    }

    /**
     * The same of notes by what it hangs on.
     *
     * @param  list<int>  $starts
     * @param  list<int>  $lengths
     * @param  list<mixed>  $muted
     * @return list<int>
     */
    public static function untilsOf(array $starts, array $lengths, array $muted, PartHead $head): array
    {
        $untils = [];
        foreach ($starts as $i => $start) {
            $untils[] = $muted[$i] === true || $head->muted || $start < $head->from || $start >= $head->to ? 0 : min($start + $lengths[$i], $head->to);
        }

        return $untils;
    }

    /**
     * Whether all of some notes can be seen at a glance to sound to their ends.
     *
     * @param  list<int>  $starts
     * @param  list<int>  $lengths
     * @param  list<mixed>  $muted
     */
    public static function areWhole(array $starts, array $lengths, array $muted, PartHead $head): bool
    {
        return $starts === [] || $lengths === [] || (! $head->muted && min($starts) >= $head->from && max($starts) + max($lengths) <= $head->to && ! in_array(true, $muted, true));
    }

    public static function isHeard(Point $point, PartHead $head): bool
    {
        return self::isHeardAt($point->tick, $head);
    }

    /** Whether points at a tick are heard. */
    public static function isHeardAt(int $tick, PartHead $head): bool
    {
        return ! $head->muted && $head->holds($tick);
    }

    /**
     * The notes that sound, as long as they do.
     *
     * @return list<Note> round by round, by id; those of later rounds have the ids of the first
     */
    public static function notes(Part $part, Timeline $time): array
    {
        $written = [];
        foreach ($part->notes->all() as $note) {
            $until = self::until($note, $part->head);
            if ($until > 0) {
                $written[] = $until === $note->end() ? $note : $note->piece($note->start, $until, $note->id);
            }
        }
        $plays = $part->head->plays;
        if ($plays->isPlain()) {
            return $written;
        }
        $last = $part->head->soundsTo();
        $heard = [];
        foreach (self::rounds($part) as $offset) {
            foreach ($written as $note) {
                $start = $note->start + $offset;
                $pitch = $note->channel === GeneralMidi::DRUM_CHANNEL ? $note->pitch : $note->pitch + $plays->transpose;
                if ($start >= $last || $pitch < 0 || $pitch > 127) {
                    continue;
                }
                $end = self::late(min($note->end() + $offset, $last), $part->head, $time);
                $start = self::late($start, $part->head, $time);
                $heard[] = $note->with(['start' => $start, 'length' => max(1, $end - $start), 'pitch' => $pitch,
                    'velocity' => max(Note::SOFTEST, min(Note::LOUDEST, (int) round($note->velocity * $plays->velocity / 100)))]);
            }
        }

        return $heard;
    }

    /**
     * The points that are heard, and those that let go of what holds where the part ends or goes round.
     *
     * @return list<Point> round by round, by id
     */
    public static function points(Part $part, Timeline $time): array
    {
        $heard = array_values(array_filter($part->points->all(), static fn (Point $p): bool => self::isHeard($p, $part->head)));
        if ($part->head->plays->isPlain()) {
            return [...$heard, ...self::letGo($part)];
        }
        $last = $part->head->soundsTo();
        $all = [];
        foreach (self::rounds($part) as $offset) {
            $end = min($part->head->to + $offset, $last);
            $round = [];
            foreach ($heard as $point) {
                if ($point->tick + $offset < $end) {
                    $round[] = $point->movedTo($point->tick + $offset);
                }
            }
            array_push($all, ...$round, ...(ReleaseAtEnd::is($part->head) ? ReleaseAtEnd::after($round, $end) : []));
        }

        return array_map(static fn (Point $p): Point => $p->movedTo(self::late($p->tick, $part->head, $time)), $all);
    }

    /**
     * What lets go of a pedal or a bend at the end of a part that plays what is written.
     *
     * @return list<Point> with ids below 0, at the end of its window
     */
    public static function letGo(Part $part): array
    {
        if (! ReleaseAtEnd::is($part->head) || $part->points->isEmpty()) {
            return [];
        }

        return ReleaseAtEnd::after(array_filter($part->points->all(), static fn (Point $p): bool => self::isHeard($p, $part->head)), $part->head->to);
    }

    /** How often its window goes round, the first time included. */
    public static function countRounds(PartHead $head): int
    {
        return $head->plays->until <= $head->to ? 1 : intdiv($head->plays->until - $head->from - 1, $head->to - $head->from) + 1;
    }

    /**
     * By how many ticks each round is later than what is written. As many as there is room for.
     *
     * @return list<int>
     */
    public static function rounds(Part $part): array
    {
        $length = $part->head->to - $part->head->from;
        $most = max(1, intdiv(self::MOST, max(1, $part->notes->count() + $part->points->count())));

        return array_map(static fn (int $k): int => $k * $length, range(0, min(self::countRounds($part->head), $most) - 1));
    }

    private static function late(int $tick, PartHead $head, Timeline $time): int
    {
        return $head->plays->delay === 0 ? $tick : max(0, (int) round($time->tempos->shift($tick, $head->plays->delay)));
    }
}

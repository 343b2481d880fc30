<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Progress;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Standard\Message;

/**
 * Writes the notes and points of a part into the events of a track. Note-ons of one tick go by the ids of their notes;
 * note-offs of one tick by where their notes start, then by id: read again, they stand in the same order.
 */
final class PartEvents
{
    /** All that sounds of a part that plays what is written, out of its columns. */
    public static function addWritten(EventList $events, Part $part, int $trackEnd): void
    {
        [$ids, $starts, $pitches, $velocities, $channels, $releases] = array_map($part->notes->integers(...), ['id', 'start', 'pitch', 'velocity', 'channel', 'release']);
        $ends = Sounding::untils($part);
        $heard = array_filter($ends);
        $keys = array_map(SoundingIndex::key(...), $channels, $pitches);
        $needed = $releases !== [] && min($releases) <= Note::RELEASE_NONE || $part->points->count() > 0;
        $sounding = $needed ? new SoundingIndex(array_values(array_intersect_key($starts, $heard)), array_values($heard), array_values(array_intersect_key($keys, $heard))) : null;
        foreach ($heard as $i => $end) {
            Progress::step();
            self::addNote($events, $sounding, $trackEnd, $ids[$i], $starts[$i], $end, $channels[$i], $pitches[$i], $velocities[$i], $releases[$i]);
        }
        [$ids, $ticks, $statuses, $data1, $data2] = array_map($part->points->integers(...), ['id', 'tick', 'status', 'data1', 'data2']);
        foreach ($ids as $i => $id) {
            Progress::step();
            if (Sounding::isHeardAt($ticks[$i], $part->head)) {
                self::addPoint($events, $sounding, $id, $ticks[$i], $statuses[$i], $data1[$i], $data2[$i]);
            }
        }
        foreach (Sounding::letGo($part) as $p) {
            self::addPoint($events, $sounding, $p->id, $p->tick, $p->status, $p->data1, $p->data2);
        }
    }

    /**
     * A note with its end, as its file had it while the note is as it was.
     *
     * @param  SoundingIndex|null  $sounding  what sounds in its part; null where that does not matter
     * @param  int  $trackEnd  tick at which the track ends
     * @param  int  $release  as `Note::$release` has it
     */
    public static function addNote(EventList $events, ?SoundingIndex $sounding, int $trackEnd, int $id, int $start, int $end, int $channel, int $pitch, int $velocity, int $release): void
    {
        $events->add($start, EventList::ON, $id, Message::NOTE_ON | $channel, $pitch, $velocity);
        if ($release === Note::RELEASE_NONE) {
            if ($sounding?->endsWithout($start, $end, SoundingIndex::key($channel, $pitch), $trackEnd) === true) {
                return;
            }
            $release = Note::RELEASE;
        }
        [$tick, $class] = [$end, EventList::OFF];
        if ($release <= Note::RELEASE_AT_ONCE) {
            $release = $release === Note::RELEASE_AT_ONCE ? Note::RELEASE_BY_NOTE_ON : Note::RELEASE_AT_ONCE - 1 - $release;
            [$tick, $class] = [$start, EventList::AT_ONCE];
        }
        if ($release === Note::RELEASE_BY_NOTE_ON) {
            $events->add($tick, $class, $start, Message::NOTE_ON | $channel, $pitch, 0, subOrder: $id);
        } else {
            $events->add($tick, $class, $start, Message::NOTE_OFF | $channel, $pitch, $release, subOrder: $id);
        }
    }

    /**
     * A point. A note-off that ended nothing in its file would end a note that has since come to lie there: it is left out.
     */
    public static function addPoint(EventList $events, ?SoundingIndex $sounding, int $id, int $tick, int $status, int $data1, int $data2): void
    {
        $isOff = ($status & 0xF0) <= Message::NOTE_ON;
        if (! $isOff) {
            $events->add($tick, EventList::CONTROL, $id, $status, $data1, $data2);
        } elseif ($sounding?->at($status & 0x0F, $data1, $tick) !== true) {
            // After those that end a note there: read again, it ends none of those.
            $events->add($tick, EventList::OFF, PHP_INT_MAX, $status, $data1, $data2, subOrder: $id);
        }
    }
}

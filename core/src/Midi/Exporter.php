<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Track;

/**
 * Makes a MIDI file out of a song: format 1, or 0 where it came from one. At one tick come meta events, then
 * note-offs, then controllers, programs and system exclusive, then note-ons; within each, the order of the file or of
 * making. The first file's division is used again if every event still falls on it, else the song's. Muted notes are
 * left out, since a file cannot say that a note is muted.
 */
final class Exporter
{
    private const META = 0;

    private const OFF = 1;

    private const CONTROL = 2;

    private const ON = 3;

    public static function export(Song $song): MidiFile
    {
        $tracks = array_map(static fn (Track $t): array => self::events($t), $song->tracks);
        $ends = array_map(static fn (Track $t): int => $t->end, $song->tracks);
        if ($song->source->format === 0) {
            $tracks = [array_merge(...$tracks)];
            $ends = [max([0, ...$ends])];
        }
        // Tempo and meter go back to the track that they came from; new ones belong into the first.
        foreach ($song->tempos as [$tick, $tempo, $track, $order]) {
            if ($track >= 0) {
                $tracks[min($track, count($tracks) - 1)][] = [$tick, self::META, $order, Message::META, Message::META_TEMPO, 0, substr(pack('N', $tempo), 1)];
            }
        }
        foreach ($song->meters as [$tick, $beats, $unit, $clocks, $thirtySeconds, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)][] = [$tick, self::META, $order, Message::META, Message::META_METER, 0,
                pack('C4', $beats, (int) log($unit, 2), $clocks, $thirtySeconds)];
        }
        foreach ($tracks as $i => $events) {
            usort($tracks[$i], static fn (array $a, array $b): int => $a[0] <=> $b[0] ?: $a[1] <=> $b[1] ?: $a[2] <=> $b[2]);
            $last = $tracks[$i] === [] ? 0 : $tracks[$i][count($tracks[$i]) - 1][0];
            $tracks[$i][] = [max($last, $ends[$i]), self::ON, PHP_INT_MAX, Message::META, Message::META_END, 0, ''];
        }
        $scale = self::fits($tracks, $song->source->scale) ? $song->source->scale : 1;

        return new MidiFile(
            $song->source->format === 0 ? 0 : 1,
            $scale === $song->source->scale ? $song->source->division : $song->ppq,
            array_map(static fn (array $events): array => array_map(
                static fn (array $e): Event => new Event(intdiv($e[0], $scale), $e[3], $e[4], $e[5], $e[6]), $events), array_values($tracks)),
            $song->source->chunks,
        );
    }

    /** How many notes an export leaves out because they are muted. */
    public static function mutedNotes(Song $song): int
    {
        $muted = 0;
        foreach ($song->tracks as $track) {
            foreach ($track->parts as $part) {
                $muted += count(array_filter($part->notes, static fn (Note $n): bool => $n->muted));
            }
        }

        return $muted;
    }

    /** @return list<array{int, int, int, int, int, int, string}> tick, class, order, status, data1, data2, bytes */
    private static function events(Track $track): array
    {
        $events = [];
        foreach ($track->kept as $kept) {
            $events[] = [$kept->tick, $kept->status === Message::META ? self::META : self::CONTROL, $kept->order, $kept->status, $kept->type, 0, $kept->bytes];
        }
        foreach ($track->parts as $part) {
            $sounding = [];
            foreach ($part->notes as $n) {
                if ($n->muted) {
                    continue;
                }
                $events[] = [$n->start, self::ON, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, $n->velocity, ''];
                $events[] = $n->release === Note::RELEASE_BY_NOTE_ON
                    ? [$n->end(), self::OFF, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, 0, '']
                    : [$n->end(), self::OFF, $n->id, Message::NOTE_OFF | $n->channel, $n->pitch, $n->release, ''];
                $sounding[$n->channel << 7 | $n->pitch][] = $n;
            }
            foreach ($part->points as $p) {
                $isOff = ($p->status & 0xF0) <= Message::NOTE_ON;
                if ($isOff && self::sounds($sounding[($p->status & 0x0F) << 7 | $p->data1] ?? [], $p->tick)) {
                    continue;
                }
                $events[] = [$p->tick, $isOff ? self::OFF : self::CONTROL, $p->id, $p->status, $p->data1, $p->data2, ''];
            }
        }

        return $events;
    }

    /**
     * A note-off that ended nothing in its file would end a note that has since come to lie there: it is left out.
     *
     * @param  list<Note>  $notes
     */
    private static function sounds(array $notes, int $tick): bool
    {
        foreach ($notes as $note) {
            if ($note->start < $tick && $note->end() > $tick) {
                return true;
            }
        }

        return false;
    }

    /** @param  array<int, list<array{int, int, int, int, int, int, string}>>  $tracks */
    private static function fits(array $tracks, int $scale): bool
    {
        if ($scale > 1) {
            foreach ($tracks as $events) {
                foreach ($events as $event) {
                    if ($event[0] % $scale !== 0) {
                        return false;
                    }
                }
            }
        }

        return true;
    }
}

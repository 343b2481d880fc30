<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Standard\Message;

/**
 * Makes a MIDI file out of a song: format 1, or 0 where it came from one. At one tick come meta events, then
 * note-offs, then controllers, programs and system exclusive, then note-ons; within each, the order of the file or of
 * making. The first file's division is used again if every event still falls on it, else the song's. What does not
 * sound is left out, since a file cannot say that it is there all the same.
 */
final class Exporter
{
    private const META = 0;

    private const OFF = 1;

    private const CONTROL = 2;

    private const ON = 3;

    public static function export(Song $song): MidiFile
    {
        $score = $song->score;
        $tracks = array_values(array_map(static fn (Track $t): array => self::events($t, $score->partsOf($t->id)), $score->tracks));
        $ends = array_values(array_map(static fn (Track $t): int => $t->end, $score->tracks));
        if ($tracks === []) {
            $tracks = [[]];
            $ends = [0];
        }
        if ($song->source->format === 0) {
            $tracks = [array_merge(...$tracks)];
            $ends = [max([0, ...$ends])];
        }
        // Tempo and meter go back to the track that they came from; new ones belong into the first.
        foreach ($score->time->tempoRows as [$tick, $tempo, $track, $order]) {
            if ($track >= 0) {
                $tracks[min($track, count($tracks) - 1)][] = [$tick, self::META, $order, Message::META, Message::META_TEMPO, 0, substr(pack('N', $tempo), 1)];
            }
        }
        foreach ($score->time->meterRows as [$tick, $beats, $unit, $clocks, $thirtySeconds, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)][] = [$tick, self::META, $order, Message::META, Message::META_METER, 0,
                pack('C4', $beats, (int) log($unit, 2), $clocks, $thirtySeconds)];
        }
        foreach ($score->time->markerRows as [$tick, $name, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)][] = [$tick, self::META, $order, Message::META, Message::META_MARKER, 0, (string) base64_decode($name, true)];
        }
        foreach ($tracks as $i => $events) {
            usort($tracks[$i], static fn (array $a, array $b): int => $a[0] <=> $b[0] ?: $a[1] <=> $b[1] ?: $a[2] <=> $b[2]);
            $last = $tracks[$i] === [] ? 0 : $tracks[$i][count($tracks[$i]) - 1][0];
            $tracks[$i][] = [max($last, $ends[$i]), self::ON, PHP_INT_MAX, Message::META, Message::META_END, 0, ''];
        }
        $scale = self::fits($tracks, $song->source->scale) ? $song->source->scale : 1;

        return new MidiFile(
            $song->source->format === 0 ? 0 : 1,
            $scale === $song->source->scale ? $song->source->division : $score->time->ppq,
            array_map(static fn (array $events): array => array_map(
                static fn (array $e): Event => new Event(intdiv($e[0], $scale), $e[3], $e[4], $e[5], $e[6]), $events), array_values($tracks)),
            $song->source->chunks,
        );
    }

    /**
     * What an export leaves out, since a file cannot say it: muted notes, and what lies outside the windows of parts.
     *
     * @return array{int, int} notes muted, notes hidden
     */
    public static function leftOut(Song $song): array
    {
        $muted = $hidden = 0;
        foreach ($song->score->parts as $part) {
            foreach ($part->notes->all() as $note) {
                $muted += $note->muted || $part->head->muted ? 1 : 0;
                $hidden += $part->head->holds($note->start) ? 0 : 1;
            }
        }

        return [$muted, $hidden];
    }

    /**
     * What an export leaves out, a sentence each.
     *
     * @return list<string>
     */
    public static function warnings(Song $song): array
    {
        [$muted, $hidden] = self::leftOut($song);
        $left = static fn (int $n, string $what): array => $n === 0 ? [] : [$n === 1 ? "1 $what note was left out of the file." : "$n $what notes were left out of the file."];

        return [...$left($muted, 'muted'), ...$left($hidden, 'hidden')];
    }

    /**
     * @param  array<int, Part>  $parts
     * @return list<array{int, int, int, int, int, int, string}> tick, class, order, status, data1, data2, bytes
     */
    private static function events(Track $track, array $parts): array
    {
        $events = [];
        foreach ($track->kept() as $kept) {
            $events[] = [$kept->tick, $kept->status === Message::META ? self::META : self::CONTROL, $kept->order, $kept->status, $kept->type, 0, $kept->bytes];
        }
        foreach ($parts as $part) {
            $sounding = [];
            foreach (Sounding::notes($part) as $n) {
                $events[] = [$n->start, self::ON, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, $n->velocity, ''];
                $events[] = $n->release === Note::RELEASE_BY_NOTE_ON
                    ? [$n->end(), self::OFF, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, 0, '']
                    : [$n->end(), self::OFF, $n->id, Message::NOTE_OFF | $n->channel, $n->pitch, $n->release, ''];
                $sounding[$n->channel << 7 | $n->pitch][] = $n;
            }
            foreach (Sounding::points($part) as $p) {
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

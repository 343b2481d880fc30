<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Performing;
use Jactonic\Core\Sounding\Sounding;
use Jactonic\Core\Sounding\Voice;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

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

    /** After what begins there: the end of a note that its file ends as it begins. */
    private const AT_ONCE = 4;

    public static function export(Song $song): MidiFile
    {
        $score = $song->score;
        [$performed, $channels] = self::performed($score);
        $tracks = array_values(array_map(static fn (Track $t): EventList => self::events($t, $score->partsOf($t->id), $score->time, $performed, $channels), $score->tracks));
        if ($tracks === []) {
            $tracks = [new EventList(0)];
        }
        if ($song->source->format === 0) {
            $tracks = [EventList::together($tracks)];
        }
        // Tempo and meter go back to the track that they came from; new ones belong into the first.
        foreach ($score->time->tempoRows as [$tick, $tempo, $track, $order]) {
            if ($track >= 0) {
                $tracks[min($track, count($tracks) - 1)]->add($tick, self::META, $order, Message::META, Message::META_TEMPO, 0, substr(pack('N', $tempo), 1));
            }
        }
        foreach ($score->time->meterRows as [$tick, $beats, $unit, $clocks, $thirtySeconds, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)]->add($tick, self::META, $order, Message::META, Message::META_METER, 0,
                pack('C4', $beats, (int) log($unit, 2), $clocks, $thirtySeconds));
        }
        foreach ($score->time->markerRows as [$tick, $name, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)]->add($tick, self::META, $order, Message::META, Message::META_MARKER, 0, (string) base64_decode($name, true));
        }
        $scale = $song->source->scale;
        foreach ($tracks as $events) {
            $scale = $events->fits($scale) ? $scale : 1;
        }

        return new MidiFile(
            $song->source->format === 0 ? 0 : 1,
            $scale === $song->source->scale ? $song->source->division : $score->time->ppq,
            array_map(static fn (EventList $events): array => $events->inOrder($scale), $tracks),
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

        $warnings = [...$left($muted, 'muted'), ...$left($hidden, 'hidden')];
        foreach ($song->score->parts as $part) {
            $plays = $part->head->plays;
            if ($plays->isPlain() || $part->head->muted) {
                continue;
            }
            $rounds = count(Sounding::rounds($part));
            if ($rounds < Sounding::countRounds($part->head)) {
                $warnings[] = sprintf('“%s” goes round %s times in the file, which is as often as there is room for.', $part->name, number_format($rounds));
            }
            $out = count(array_filter($part->shown(), static fn (Note $n): bool => ! $n->muted && $n->channel !== GeneralMidi::DRUM_CHANNEL && ($n->pitch + $plays->transpose < 0 || $n->pitch + $plays->transpose > 127)));
            if ($out > 0) {
                $warnings[] = sprintf('%s of “%s” would lie beyond the highest or lowest pitch and %s left out of the file.', $out === 1 ? '1 note' : "$out notes", $part->name, $out === 1 ? 'was' : 'were');
            }
        }

        [, , $shared] = self::performed($song->score);
        if ($shared !== null) {
            $warnings[] = sprintf('From %s on more notes with curves of their own sound at once than there are free channels: those beyond share one.', $song->score->time->position($shared));
        }

        return $warnings;
    }

    /**
     * @param  array<int, Part>  $parts
     * @param  array<int, Performing>  $performed
     * @param  array<string, int|null>  $channels
     */
    private static function events(Track $track, array $parts, Timeline $time, array $performed, array $channels): EventList
    {
        $events = new EventList($track->end);
        foreach ($track->kept() as $kept) {
            $events->add($kept->tick, $kept->status === Message::META ? self::META : self::CONTROL, $kept->order, $kept->status, $kept->type, 0, $kept->bytes);
        }
        $memo = new Memo;
        foreach ($parts as $part) {
            $heard = $performed[$part->id];
            $sounding = new Struck($heard->notes);
            foreach ($heard->notes as $n) {
                $events->add($n->start, self::ON, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, $n->velocity);
                self::addEnd($events, $n, $n->release === Note::RELEASE_NONE && ($sounding->within($n) || ($n->end() >= $track->end && ! $sounding->again($n))));
                $written = $heard->written[spl_object_id($n)] ?? $n;
                if ($written->articulation > 0 || $written !== $n) {
                    $memo->note($n, $written, $n->channel);
                }
            }
            foreach ($heard->keys as $n) {
                $events->add($n->start, self::ON, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, $n->velocity);
                $events->add($n->end(), self::OFF, $n->id, Message::NOTE_OFF | $n->channel, $n->pitch, Note::RELEASE);
                $memo->key($n);
            }
            foreach ($heard->points as $p) {
                $isOff = ($p->status & 0xF0) <= Message::NOTE_ON;
                // A note-off that ended nothing in its file would end a note that has since come to lie there: it is left out.
                if (! $isOff || ! $sounding->at($p->status & 0x0F, $p->data1, $p->tick)) {
                    $events->add($p->tick, $isOff ? self::OFF : self::CONTROL, $p->id, $p->status, $p->data1, $p->data2);
                }
            }
            foreach ($heard->sent as $p) {
                $events->add($p->tick, self::CONTROL, $p->id, $p->status, $p->data1, $p->data2);
                $memo->sent($p);
            }
            foreach ($heard->voices as $i => $voice) {
                self::addVoice($events, $voice, $channels["$part->id $i"], $memo, $heard->written[spl_object_id($voice->note)] ?? $voice->note, $i);
            }
        }
        $told = $memo->body($time->ppq);
        if ($told !== null) {
            $events->add(0, self::META, Performing::LATE, Message::META, Memo::META, 0, $told);
        }

        return $events;
    }

    /** A note with curves of its own, on the channel that it was given; with none it is a note like the others. */
    private static function addVoice(EventList $events, Voice $voice, ?int $channel, Memo $memo, Note $written, int $order): void
    {
        $note = $voice->note->exactly(['channel' => $channel ?? $voice->note->channel]);
        $events->add($note->start, self::ON, $note->id, Message::NOTE_ON | $note->channel, $note->pitch, $note->velocity);
        $events->add($note->end(), self::OFF, $note->id, Message::NOTE_OFF | $note->channel, $note->pitch, max(0, $note->release));
        $memo->note($note, $written, $note->channel);
        if ($channel === null) {
            return;
        }
        $at = Performing::LATE * 2 + ($order << 16);
        foreach ([...$voice->before, ...$voice->points, ...$voice->after] as $p) {
            $events->add($p->tick, self::CONTROL, $at++, ($p->status & 0xF0) | $channel, $p->data1, $p->data2);
        }
    }

    /**
     * What is heard of each part, and the channels of notes that have their own.
     *
     * @return array{array<int, Performing>, array<string, int|null>, int|null} by part; by part and place among its voices; the tick of the first for which there is no channel left
     */
    private static function performed(Score $score): array
    {
        $performed = array_map(static fn (Part $p): Performing => Performing::of($p, $score), $score->parts);
        $voices = $names = [];
        foreach ($performed as $id => $heard) {
            foreach ($heard->voices as $i => $voice) {
                $voices[] = $voice;
                $names[] = "$id $i";
            }
        }
        [$given, $shared] = $voices === [] ? [[], null] : Performing::spread($voices, Performing::free($score));
        ksort($given);

        return [$performed, array_combine($names, $given), $shared];
    }

    /**
     * The end of a note, as its file had it while the note is as it was.
     *
     * @param  bool  $none  its file had none, and what ended it is still there
     */
    private static function addEnd(EventList $events, Note $n, bool $none): void
    {
        if ($none) {
            return;
        }
        $release = $n->release === Note::RELEASE_NONE ? Note::RELEASE : $n->release;
        $atOnce = $release <= Note::RELEASE_AT_ONCE;
        if ($atOnce) {
            $release = $release === Note::RELEASE_AT_ONCE ? Note::RELEASE_BY_NOTE_ON : Note::RELEASE_AT_ONCE - 1 - $release;
        }
        [$tick, $class] = $atOnce ? [$n->start, self::AT_ONCE] : [$n->end(), self::OFF];
        if ($release === Note::RELEASE_BY_NOTE_ON) {
            $events->add($tick, $class, $n->id, Message::NOTE_ON | $n->channel, $n->pitch, 0);
        } else {
            $events->add($tick, $class, $n->id, Message::NOTE_OFF | $n->channel, $n->pitch, $release);
        }
    }
}

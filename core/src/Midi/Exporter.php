<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Sounding\Performance;
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
    /** @param  bool  $withMuted  whether its muted notes go along, in an event that other programs pass over */
    public static function export(Song $song, bool $withMuted = false): MidiFile
    {
        $score = $song->score;
        [$performed, $channels] = self::performed($score);
        $isOne = $song->source->format === 0;
        // A file of one track has one memo: read again, its tracks may be fewer.
        $memo = new EmbeddedData;
        $ranks = self::ranks($score, $performed);
        $tracks = [];
        foreach ($score->tracks as $track) {
            $memo = $isOne ? $memo : new EmbeddedData;
            $tracks[] = $events = self::events($track, $score->partsOf($track->id), $performed, $channels, $ranks, $isOne ? self::channelOf($track, $score) : null, $memo);
            foreach ($withMuted ? $score->partsOf($track->id) : [] as $part) {
                array_map($memo->muted(...), Sounding::notes(self::muted($part), $score->time));
            }
            if (! $isOne) {
                self::addMemo($events, $memo, $score->time);
            }
        }
        if ($tracks === []) {
            $tracks = [new EventList(0)];
        }
        if ($isOne) {
            $tracks = [EventList::together($tracks)];
            self::addMemo($tracks[0], $memo, $score->time);
        }
        // Tempo and meter go back to the track that they came from; new ones belong into the first.
        foreach ($score->time->tempoRows as [$tick, $tempo, $track, $order]) {
            if ($track >= 0) {
                $tracks[min($track, count($tracks) - 1)]->add($tick, EventList::META, $order, Message::META, Message::META_TEMPO, 0, substr(pack('N', $tempo), 1));
            }
        }
        foreach ($score->time->meterRows as [$tick, $beats, $unit, $clocks, $thirtySeconds, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)]->add($tick, EventList::META, $order, Message::META, Message::META_METER, 0,
                pack('C4', $beats, (int) log($unit, 2), $clocks, $thirtySeconds));
        }
        foreach ($score->time->markerRows as [$tick, $name, $track, $order]) {
            $tracks[min($track, count($tracks) - 1)]->add($tick, EventList::META, $order, Message::META, Message::META_MARKER, 0, (string) base64_decode($name, true));
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
     * @return array{int, int, int} notes muted, notes hidden, points hidden
     */
    public static function leftOut(Song $song): array
    {
        $muted = $hidden = $points = 0;
        foreach ($song->score->parts as $part) {
            $isMuted = $part->notes->column('muted');
            foreach ($part->notes->integers('start') as $i => $start) {
                $muted += $isMuted[$i] === true || $part->head->muted ? 1 : 0;
                $hidden += $part->head->holds($start) ? 0 : 1;
            }
            foreach ($part->points->integers('tick') as $tick) {
                // One at the very end only says what holds after the part.
                $points += $part->head->holds($tick) || $tick === $part->head->to ? 0 : 1;
            }
        }

        return [$muted, $hidden, $points];
    }

    /**
     * What an export leaves out, a sentence each.
     *
     * @return list<string>
     */
    public static function warnings(Song $song): array
    {
        [$muted, $hidden, $points] = self::leftOut($song);
        $left = static fn (int $n, string $what): array => $n === 0 ? [] : [$n === 1 ? "1 $what was left out of the file." : "$n {$what}s were left out of the file."];

        $warnings = [...$left($muted, 'muted note'), ...$left($hidden, 'hidden note'), ...$left($points, 'hidden point')];
        foreach ($song->score->parts as $part) {
            $plays = $part->head->plays;
            if ($plays->isPlain() || $part->head->muted) {
                continue;
            }
            $rounds = count(Sounding::rounds($part));
            if ($rounds < Sounding::countRounds($part->head)) {
                $warnings[] = sprintf('“%s” loops %s times in the file, which is as often as there is room for.', $part->name, number_format($rounds));
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
     * @param  array<int, Performance>  $performed
     * @param  array<string, int|null>  $channels
     * @param  array<string, int>  $ranks  of voices, likewise
     * @param  int|null  $own  the channel by which the track is found again in a file of one track; null where it need not be
     */
    private static function events(Track $track, array $parts, array $performed, array $channels, array $ranks, ?int $own, EmbeddedData $memo): EventList
    {
        $events = new EventList($track->end);
        $told = false;
        foreach ($track->kept() as $kept) {
            if ($own !== null && ! $told && self::isOfTrack($kept)) {
                $events->add($kept->tick, EventList::META, $kept->order, Message::META, Message::META_CHANNEL, 0, chr($own));
            }
            $told = $kept->status === Message::META && $kept->type === Message::META_CHANNEL;
            $events->add($kept->tick, $kept->status === Message::META ? EventList::META : EventList::CONTROL, $kept->order, $kept->status, $kept->type, 0, $kept->bytes);
        }
        foreach ($parts as $part) {
            $heard = $performed[$part->id] ?? null;
            if ($heard === null) {
                PartEvents::addWritten($events, $part, $track->end);

                continue;
            }
            $sounding = SoundingIndex::of($heard->notes);
            foreach ($heard->notes as $n) {
                PartEvents::addNote($events, $sounding, $track->end, $n->id, $n->start, $n->end(), $n->channel, $n->pitch, $n->velocity, $n->release);
                $written = $heard->written[spl_object_id($n)] ?? $n;
                if ($written->articulation > 0 || $written !== $n) {
                    $memo->note($n, $written, $n->channel);
                }
            }
            foreach ($heard->keys as $n) {
                PartEvents::addNote($events, null, 0, $n->id, $n->start, $n->end(), $n->channel, $n->pitch, $n->velocity, Note::RELEASE);
                $memo->key($n);
            }
            foreach ($heard->points as $p) {
                PartEvents::addPoint($events, $sounding, $p->id, $p->tick, $p->status, $p->data1, $p->data2);
            }
            foreach ($heard->sent as $p) {
                $events->add($p->tick, EventList::CONTROL, $p->id, $p->status, $p->data1, $p->data2);
                $memo->sent($p);
            }
            foreach ($heard->voices as $i => $voice) {
                self::addVoice($events, $voice, $channels["$part->id $i"], $memo, $heard->written[spl_object_id($voice->note)] ?? $voice->note, $ranks["$part->id $i"]);
            }
        }

        return $events;
    }

    /** The muted notes of a part by themselves, as they would sound. */
    private static function muted(Part $part): Part
    {
        $all = $part->notes->all();
        $muted = array_map(static fn (Note $n): Note => $n->withMuted(false), array_filter($all, static fn (Note $n): bool => $n->muted));

        return $part->with($part->notes->with($all, $muted), $part->points, $part->nextNote, $part->nextPoint);
    }

    /** Says in an event of a track which notes and messages are more than they seem. */
    private static function addMemo(EventList $events, EmbeddedData $memo, Timeline $time): void
    {
        $body = $memo->body($time->ppq);
        if ($body !== null) {
            $events->add(0, EventList::META, Performance::LATE, Message::META, EmbeddedData::META, 0, $body);
        }
    }

    /**
     * The order in which voices are written, whichever tracks and parts they are of: that in which they will be read again.
     *
     * @param  array<int, Performance>  $performed
     * @return array<string, int> by part and place among its voices
     */
    private static function ranks(Score $score, array $performed): array
    {
        $voices = [];
        foreach ($score->tracks as $track) {
            foreach (array_keys($score->partsOf($track->id)) as $part) {
                foreach ($performed[$part]->voices ?? [] as $i => $voice) {
                    $voices["$part $i"] = [$voice->note->start, $voice->note->id, count($voices)];
                }
            }
        }
        asort($voices);

        return array_flip(array_keys($voices));
    }

    /** Whether something that a track keeps says what the track is: its name, or its set of articulations. */
    public static function isOfTrack(PassthroughEvent $kept): bool
    {
        return ($kept->status === Message::META && $kept->type === Message::META_TRACK_NAME) || ArticulationSet::isIn($kept);
    }

    /** The channel of a track's notes and points; null where it has none. */
    private static function channelOf(Track $track, Score $score): ?int
    {
        foreach ($score->partsOf($track->id) as $part) {
            if (! $part->notes->isEmpty() || ! $part->points->isEmpty()) {
                return $part->channel();
            }
        }

        return null;
    }

    /** A note with curves of its own, on the channel that it was given; with none it is a note like the others. */
    private static function addVoice(EventList $events, Voice $voice, ?int $channel, EmbeddedData $memo, Note $written, int $order): void
    {
        $note = $voice->note->exactly(['channel' => $channel ?? $voice->note->channel]);
        PartEvents::addNote($events, null, 0, $note->id, $note->start, $note->end(), $note->channel, $note->pitch, $note->velocity, max(0, $note->release));
        $memo->note($note, $written, $note->channel);
        if ($channel === null) {
            return;
        }
        $at = Performance::LATE * 2 + ($order << 16);
        foreach ([...$voice->before, ...$voice->points, ...$voice->after] as $p) {
            $events->add($p->tick, EventList::CONTROL, $at++, ($p->status & 0xF0) | $channel, $p->data1, $p->data2);
        }
    }

    /**
     * What is heard of each part of which it is not just what is written, and the channels of notes that have their own.
     *
     * @return array{array<int, Performance>, array<string, int|null>, int|null} by part; by part and place among its voices; the tick of the first for which there is no channel left
     */
    private static function performed(Score $score): array
    {
        $performed = Performance::ofParts(array_filter($score->parts, static fn (Part $p): bool => ! $p->head->plays->isPlain() || Performance::is($p, $score)), $score);
        $voices = $names = [];
        foreach ($performed as $id => $heard) {
            foreach ($heard->voices as $i => $voice) {
                $voices[] = $voice;
                $names[] = "$id $i";
            }
        }
        [$given, $shared] = $voices === [] ? [[], null] : Performance::spread($voices, Performance::free($score));
        ksort($given);

        return [$performed, array_combine($names, $given), $shared];
    }
}

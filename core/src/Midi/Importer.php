<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/**
 * Makes a song out of a MIDI file, losing nothing of it. Each track of the file becomes a track; a file of format 0
 * becomes one for all that has no channel and one for each channel in order. What has notes or other channel messages
 * gets one part; parts are numbered from 1 in file order. Nothing is rounded: where the division allows, the song's
 * resolution is a whole multiple of the file's.
 *
 * @phpstan-import-type Embedded from EmbeddedData
 */
final class Importer
{
    private int $order = 0;

    private int $unended = 0;

    private int $empty = 0;

    private int $loose = 0;

    private int $again = 0;

    /** @var list<array{int, int, int, int}> */
    private array $tempos = [];

    /** @var list<array{int, int, int, int, int, int, int}> */
    private array $meters = [];

    /** @var list<array{int, string, int, int}> */
    private array $markers = [];

    private function __construct(private readonly MidiFile $file, private readonly int $scale, private readonly int $ppq, private readonly bool $frames)
    {
    }

    /**
     * @param  string  $name  for the song where the file has none
     * @return array{Song, list<string>} the song, and what was wrong but could be mended, a sentence each
     */
    public static function import(MidiFile $file, string $name): array
    {
        [$perQuarter, $tempo] = self::quarter($file->division);
        $scale = self::scale($perQuarter);
        $importer = new self($file, $scale, $perQuarter * $scale, $tempo !== null);

        return $importer->song($name, $perQuarter * $scale, $tempo);
    }

    /**
     * Ticks per quarter of a division and, where it counts frames of a second, the tempo that makes them so.
     * Frames have no quarters: 120 a minute are taken, or 60 where half a second is no whole number of ticks.
     *
     * @return array{int, int|null}
     */
    private static function quarter(int $division): array
    {
        if ($division < 0x8000) {
            return [$division, null];
        }
        $frames = 256 - ($division >> 8);
        // 29 stands for 30 frames in 1.001 seconds.
        $second = $frames === 29 ? 1_001_000 : 1_000_000;
        $ticks = ($frames === 29 ? 30 : $frames) * ($division & 0xFF);

        return $ticks % 2 === 0 ? [intdiv($ticks, 2), intdiv($second, 2)] : [$ticks, $second];
    }

    /** The smallest whole number that makes a resolution a multiple of 960; 1 where the header could not say it. */
    private static function scale(int $ppq): int
    {
        [$a, $b] = [Timeline::PPQ, $ppq];
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }
        $scale = intdiv(Timeline::PPQ, $a);

        return $ppq * $scale > Timeline::MOST_PPQ ? 1 : $scale;
    }

    /** @return array{Song, list<string>} */
    private function song(string $name, int $ppq, ?int $tempo): array
    {
        $tracks = [];
        foreach ($this->file->tracks as $i => $events) {
            array_push($tracks, ...$this->tracks($events, $i));
        }
        if ($tempo !== null) {
            $this->tempos = [[0, $tempo, -1, 0]];
        }
        $warnings = $this->file->warnings;
        if ($this->unended > 0) {
            $warnings[] = $this->unended === 1 ? '1 note never ended; it now ends with its track.' : "$this->unended notes never ended; they now end with their track.";
        }
        if ($this->again > 0) {
            $warnings[] = $this->again === 1 ? '1 note was struck again before it ended; it ends there.' : "$this->again notes were struck again before they ended; they end there.";
        }
        if ($this->empty > 0) {
            $warnings[] = $this->empty === 1 ? '1 note had no length; it was given one tick.' : "$this->empty notes had no length; they were given one tick each.";
        }
        if ($this->loose > 0) {
            $warnings[] = $this->loose === 1 ? '1 note-off ended no note; it is kept.' : "$this->loose note-offs ended no note; they are kept.";
        }
        if ($this->file->format === 2 && count($tracks) > 1) {
            $warnings[] = 'The file holds separate sequences (format 2); they are laid one under another, all from the start.';
        }
        $time = Timeline::of($ppq, $this->tempos, $this->meters, $this->markers);
        $parts = $made = [];
        $tracks = $this->numbered($tracks);
        $hasMusic = array_filter($tracks, self::isMusic(...)) !== [];
        foreach ($tracks as $i => $track) {
            [$called, $notes, $points, $kept, $end] = $track;
            $made[$i + 1] = new Track($i + 1, $called, $i, $kept, $end, $hasMusic && ! self::isMusic($track) && ($i === 0 || count($kept) > 1));
            if (self::isMusic($track)) {
                $id = count($parts) + 1;
                $parts[$id] = self::part($id, $called === '' ? "Part $id" : $called, $i + 1, $notes, $points, $time);
            }
        }
        $title = $tracks === [] || ! $tracks[0][1]->isEmpty() ? '' : $tracks[0][0];
        $score = new Score($time, $parts, $made, count($parts) + 1, count($made) + 1, name: $title === '' ? $name : $title);

        return [new Song($score,
            new Source($this->file->format, $this->file->division, $this->scale, $this->file->chunks)), $warnings];
    }

    /** @param  array{string, Rows<Note>, list<Point>, list<PassthroughEvent>, int}  $track as `tracks` reads it */
    private static function isMusic(array $track): bool
    {
        return ! $track[1]->isEmpty() || $track[2] !== [];
    }

    /**
     * @param  list<Event>  $events
     * @return list<array{string, Rows<Note>, list<Point>, list<PassthroughEvent>, int}> name, notes, points, what is kept, end
     */
    private function tracks(array $events, int $index): array
    {
        $read = new TrackNotes($this->scale);
        $end = $events[count($events) - 1]->tick * $this->scale;
        [$points, $kept, $embedded] = $this->sorted($events, $index, $read);
        foreach ($read->close($end) as $channel => $more) {
            $all = array_merge($points[$channel] ?? [], $more);
            usort($all, static fn (Point $a, Point $b): int => $a->id <=> $b->id);
            $points[$channel] = $all;
        }
        $this->unended += $read->unended;
        $this->again += $read->again;
        $this->empty += $read->empty;
        $this->loose += $read->loose;
        $isOne = $this->file->format !== 0;
        $notes = [];
        if ($embedded === []) {
            foreach ($isOne ? [null] : $read->channels() as $channel) {
                $notes[$channel ?? 0] = $read->rows($channel);
            }
        } else {
            [$some, $points] = $this->withEmbedded($embedded, $read, $points);
            $notes = array_map(static fn (array $n): Rows => Rows::of(Table::notes(), $n), $isOne ? [array_replace([], ...$some)] : $some);
        }
        if ($isOne) {
            return [[self::nameIn($kept), $notes[0], array_merge(...array_values($points)), $kept, $end]];
        }
        $none = Rows::of(Table::notes(), []);
        $channels = array_unique([...array_keys($notes), ...array_keys($points)]);
        sort($channels);
        [$kept, $own] = self::shared($kept, $channels);
        $tracks = [[self::nameIn($kept), $none, [], $kept, $end]];
        foreach ($channels as $channel) {
            $called = self::nameIn($own[$channel] ?? []);
            $tracks[] = [$called === '' ? 'Channel '.($channel + 1) : $called, $notes[$channel] ?? $none, $points[$channel] ?? [], $own[$channel] ?? [], 0];
        }

        return $tracks;
    }

    /**
     * Sorts events: notes go to their reader.
     *
     * @param  list<Event>  $events
     * @return array{array<int, list<Point>>, list<PassthroughEvent>, list<Embedded>} points by channel, what is kept, and what the file says of notes
     */
    private function sorted(array $events, int $index, TrackNotes $read): array
    {
        $points = $kept = $embedded = [];
        foreach ($events as $event) {
            $order = ++$this->order;
            $tick = $event->tick * $this->scale;
            if ($event->status >= 0xF0) {
                if ($event->status === Message::META && ($event->data1 === Message::META_END || $this->isTime($event, $tick, $index, $order))) {
                    continue;
                }
                $data = $event->status === Message::META && $event->data1 === EmbeddedData::META ? EmbeddedData::read($event->bytes) : null;
                if ($data !== null) {
                    $embedded[] = $data;
                } else {
                    $kept[] = new PassthroughEvent($tick, $order, $event->status, $event->data1, $event->bytes);
                }

                continue;
            }
            $channel = $event->status & 0x0F;
            $kind = $event->status & 0xF0;
            if ($kind === Message::NOTE_ON && $event->data2 > 0) {
                $read->on($order, $tick, $channel, $event->data1, $event->data2);
            } elseif ($kind === Message::NOTE_ON || $kind === Message::NOTE_OFF) {
                $read->off($order, $tick, $channel, $event->data1, $kind === Message::NOTE_OFF ? $event->data2 : Note::RELEASE_BY_NOTE_ON);
            } else {
                $points[$channel][] = new Point($order, $tick, $event->status, $event->data1, $event->data2);
            }
        }

        return [$points, $kept, $embedded];
    }

    /**
     * What a file of format 0 keeps, shared out: what says what the track of a channel is, its name or its articulations,
     * stands behind a meta event that names the channel, and goes there with that.
     *
     * @param  list<PassthroughEvent>  $kept
     * @param  array<int>  $channels  those that have a track
     * @return array{list<PassthroughEvent>, array<int, list<PassthroughEvent>>} what is of no channel, and by channel
     */
    private static function shared(array $kept, array $channels): array
    {
        $left = $own = [];
        for ($i = 0; $i < count($kept); $i++) {
            $channel = $kept[$i]->status === Message::META && $kept[$i]->type === Message::META_CHANNEL && strlen($kept[$i]->bytes) === 1 ? ord($kept[$i]->bytes) : null;
            $next = $kept[$i + 1] ?? null;
            if ($channel !== null && $next !== null && in_array($channel, $channels, true) && $next->tick === $kept[$i]->tick && $next->order === $kept[$i]->order + 1 && Exporter::isOfTrack($next)) {
                $own[$channel][] = $kept[$i++];
                $own[$channel][] = $next;
            } else {
                $left[] = $kept[$i];
            }
        }

        return [$left, $own];
    }

    /** @param  list<PassthroughEvent>  $kept */
    private static function nameIn(array $kept): string
    {
        foreach ($kept as $one) {
            if ($one->status === Message::META && $one->type === Message::META_TRACK_NAME) {
                return mb_strimwidth(Message::text($one->bytes), 0, 200);
            }
        }

        return '';
    }

    /**
     * Notes and points as the data embedded in the file tell what they are.
     *
     * @param  list<Embedded>  $embedded
     * @param  array<int, list<Point>>  $points  by channel
     * @return array{array<int, array<int, Note>>, array<int, list<Point>>} notes by channel and id
     */
    private function withEmbedded(array $embedded, TrackNotes $read, array $points): array
    {
        $notes = [];
        foreach ($read->channels() as $channel) {
            $notes[$channel] = $read->rows($channel)->all();
        }
        foreach ($embedded as $data) {
            [$notes, $points] = EmbeddedData::apply($data, $notes, $points, $this->ppq);
        }

        return [$notes, $points];
    }

    /**
     * A part that is read from a file reaches from the song's start to the bar line after its last event, so that
     * nothing is cut.
     *
     * @param  Rows<Note>  $notes
     * @param  list<Point>  $points
     */
    private static function part(int $id, string $name, int $track, Rows $notes, array $points, Timeline $time): Part
    {
        $part = Part::of($id, $name, [], $points);
        $part = $part->with($notes, $part->points, 1 + max([0, ...$notes->ids()]), $part->nextPoint);
        $last = max([0, $part->lastEnd() - 1, ...$part->points->integers('tick')]);

        return $part->withHead(new PartHead($track, $name, 0, 0, $time->meters->barAt($last)->end()));
    }

    /**
     * Notes with ids that follow one another, in the order of the file: so many are told in few words. Of a file of format
     * 0 they follow one another over all channels, so that notes of one tick keep their order.
     *
     * @param  list<array{string, Rows<Note>, list<Point>, list<PassthroughEvent>, int}>  $tracks
     * @return list<array{string, Rows<Note>, list<Point>, list<PassthroughEvent>, int}>
     */
    private function numbered(array $tracks): array
    {
        $ids = $this->file->format === 0 ? array_merge(...array_map(static fn (array $track): array => $track[1]->ids(), $tracks)) : [];
        sort($ids);
        $numbers = array_flip($ids);
        foreach ($tracks as $i => [, $notes]) {
            if (! $notes->isEmpty()) {
                $tracks[$i][1] = $notes->withColumns($notes->ids(), ['id' => $this->file->format === 0 ? array_map(static fn (int $id): int => $numbers[$id] + 1, $notes->ids()) : range(1, $notes->count())]);
            }
        }

        return $tracks;
    }

    /** Whether the event set a tempo, a meter or a marker, which the song then holds. Frames of a second have no tempo to set. */
    private function isTime(Event $event, int $tick, int $track, int $order): bool
    {
        $bytes = array_map(ord(...), str_split($event->bytes));
        if ($event->data1 === Message::META_TEMPO && ! $this->frames && count($bytes) === 3) {
            $tempo = $bytes[0] << 16 | $bytes[1] << 8 | $bytes[2];
            if ($tempo > 0) {
                $this->tempos[] = [$tick, $tempo, $track, $order];

                return true;
            }
        }
        if ($event->data1 === Message::META_MARKER) {
            $this->markers[] = [$tick, base64_encode($event->bytes), $track, $order];

            return true;
        }
        if ($event->data1 === Message::META_METER && count($bytes) === 4 && $bytes[0] > 0 && $bytes[1] <= 6) {
            $unit = [1, 2, 4, 8, 16, 32, 64][$bytes[1]];
            $this->meters[] = [$tick, $bytes[0], $unit, $bytes[2], $bytes[3], $track, $order];

            return true;
        }

        return false;
    }
}

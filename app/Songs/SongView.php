<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Part;
use App\Models\Song;
use App\Models\Track;
use Jactonic\Core\Midi\GeneralMidi;
use Jactonic\Core\Midi\Message;
use Jactonic\Core\Score\Document;
use Jactonic\Core\Score\Part as CorePart;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Time\Timeline;

/** A song as the interface gets it: everything that is drawn and played, with all times worked out. */
final class SongView
{
    /** Bars shown past the last note, so that there is room to write on. */
    private const ROOM = 4;

    /** @return array<string, mixed> */
    public static function whole(Song $song): array
    {
        $time = $song->time();
        $cores = [];
        foreach ($song->parts()->get()->sortBy('id') as $part) {
            $cores[$part->track_id][] = [$part, $part->toCore()];
        }
        $end = self::end($song, $time);
        $tracks = [];
        foreach ($song->tracks()->get()->sortBy('position') as $track) {
            $parts = array_map(static fn (array $pair): array => self::part($pair[1], $time, $end), $cores[$track->id] ?? []);
            if ($parts !== []) {
                $tracks[] = self::track($track) + [
                    'instrument' => self::instrument($cores[$track->id][0][1]),
                    'parts' => $parts,
                ];
            }
        }

        return self::head($song) + [
            'ppq' => $song->ppq,
            'end' => $end,
            'tempos' => $time->tempos->toTable(),
            'meters' => $time->meters->toArray(),
            'tracks' => $tracks,
        ];
    }

    /** @return array<string, mixed> */
    public static function head(Song $song): array
    {
        return [
            'id' => $song->id, 'name' => $song->name, 'revision' => $song->revision,
            'canUndo' => $song->head_id !== null, 'canRedo' => self::nextOf($song) !== null,
        ];
    }

    /**
     * What changed after a revision.
     *
     * @return array<string, mixed>
     */
    public static function since(Song $song, int $revision): array
    {
        $time = $song->time();
        $parts = [];
        $end = self::end($song, $time);
        foreach (Part::query()->where('song_id', $song->id)->where('revision', '>', $revision)->get()->sortBy('id') as $part) {
            $parts[$part->id] = self::part($part->toCore(), $time, $end);
        }
        $tracks = array_map(self::track(...), Track::query()->where('song_id', $song->id)->where('revision', '>', $revision)->get()->all());

        return self::head($song) + ['parts' => (object) $parts, 'tracks' => array_values($tracks), 'end' => $end]
            + ($song->time_revision > $revision ? ['time' => self::time($song, $time)] : []);
    }

    /**
     * The song's tempos and meters, and the lines of every part, which follow them.
     *
     * @return array<string, mixed>
     */
    public static function time(Song $song, Timeline $time): array
    {
        $end = self::end($song, $time);
        $lines = [];
        foreach ($song->parts()->get() as $part) {
            $settings = $part->toSettings();
            $lines[$part->id] = $time->lines($settings->grid, $settings->swing)->table($end);
        }

        return ['tempos' => $time->tempos->toTable(), 'meters' => $time->meters->toArray(), 'lines' => (object) $lines];
    }

    /** @return array<string, mixed> */
    public static function part(CorePart $part, Timeline $time, int $end): array
    {
        $settings = $part->settings ?? PartSettings::fresh();

        return [
            'id' => $part->id,
            'name' => $part->name,
            'settings' => $settings->toArray(),
            'lines' => self::lines($part, $time, $end),
            'notes' => Document::rows($part->notes),
            'points' => self::points($part),
        ];
    }

    /** @return list<array{int, int, int, int}> tick, status, data bytes; in order of time */
    public static function points(CorePart $part): array
    {
        $points = array_map(static fn (Point $p): array => [$p->tick, $p->status, $p->data1, $p->data2], array_values($part->points));
        // Sorting keeps the order of equals: points of one tick stay in order of their ids.
        usort($points, static fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return $points;
    }

    /** @return array{bars: list<int>, of: list<int>, patterns: list<list<int>>} */
    public static function lines(CorePart $part, Timeline $time, int $end): array
    {
        $settings = $part->settings ?? PartSettings::fresh();

        return $time->lines($settings->grid, $settings->swing)->table($end);
    }

    /** The tick up to which a song is drawn: a few bars past its last note. */
    public static function end(Song $song, Timeline $time): int
    {
        $last = $song->parts()->toBase()->max('last_end');

        return $time->meters->barNumber($time->meters->barAt(max(0, (is_int($last) ? $last : 0) - 1))->index + self::ROOM)->end();
    }

    /** The step that redo takes; null when there is none. */
    public static function nextOf(Song $song): ?int
    {
        if ($song->head_id === null) {
            return $song->first_id;
        }
        $next = $song->steps()->toBase()->where('id', $song->head_id)->value('next_id');

        return is_int($next) ? $next : null;
    }

    /** @return array<string, mixed> */
    private static function track(Track $track): array
    {
        return ['id' => $track->id, 'name' => $track->name, 'muted' => $track->muted, 'soloed' => $track->soloed];
    }

    /** What the part is first played with: a General MIDI program, or the drums of channel 10. */
    private static function instrument(CorePart $part): string
    {
        foreach ($part->notes as $note) {
            if ($note->channel === GeneralMidi::DRUM_CHANNEL) {
                return 'Drum kit';
            }
            break;
        }
        foreach ($part->points as $point) {
            if (($point->status & 0xF0) === Message::PROGRAM) {
                return ($point->status & 0x0F) === GeneralMidi::DRUM_CHANNEL ? 'Drum kit' : GeneralMidi::PROGRAMS[$point->data1];
            }
        }

        return GeneralMidi::PROGRAMS[0];
    }
}

<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Groove;
use App\Models\Part;
use App\Models\Song;
use App\Models\Track;
use Illuminate\Http\Response;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\GeneralMidi;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\Message;
use Jactonic\Core\Midi\MidiError;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Kept;
use Jactonic\Core\Score\Part as CorePart;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Song as CoreSong;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track as CoreTrack;
use Jactonic\Core\Time\TempoMap;
use Jactonic\Core\Time\Timeline;

/** The songs kept: between the rows of the database and the songs of the core. */
final class Library
{
    /**
     * Imports the bytes of a MIDI file.
     *
     * @return array{Song, list<string>} the song kept, and warnings
     *
     * @throws MidiError when it cannot be read; then nothing is kept
     */
    public static function import(string $bytes, string $fileName): array
    {
        [$core, $warnings] = Importer::import(Reader::read($bytes), self::title($fileName));

        return [self::keep($core), $warnings];
    }

    /** Keeps a song of the core as a new one, each part with fresh settings unless it brings its own. */
    public static function keep(CoreSong $core): Song
    {
        return Keeping::whole(static function () use ($core): Song {
            $song = Song::query()->create([
                'name' => $core->name, 'ppq' => $core->ppq, 'tempos' => $core->tempos, 'meters' => $core->meters,
                'source' => $core->source->toArray(), 'revision' => 1,
            ]);
            foreach ($core->tracks as $position => $coreTrack) {
                $track = Track::query()->create([
                    'song_id' => $song->id, 'position' => $position, 'name' => $coreTrack->name, 'end' => $coreTrack->end,
                    'kept' => array_map(static fn (Kept $k): array => $k->toArray(), $coreTrack->kept),
                ]);
                foreach ($coreTrack->parts as $corePart) {
                    $part = new Part(['song_id' => $song->id, 'track_id' => $track->id, 'name' => $corePart->name]);
                    $part->fillFrom($corePart)->save();
                }
            }

            return $song;
        });
    }

    /**
     * An empty song of one track.
     *
     * @throws Refusal
     */
    public static function fresh(string $name, mixed $program): Song
    {
        return Keeping::whole(static function () use ($name, $program): Song {
            $song = self::keep(new CoreSong($name, Timeline::PPQ, [[0, TempoMap::DEFAULT, 0, 0]], [[0, 4, 4, 24, 8, 0, 0]], [], new Source(1, Timeline::PPQ, 1, [])));
            self::newTrack($song->id, $program, null);

            return $song->refresh();
        });
    }

    /**
     * A new track with an empty part, on the first channel that no other track plays on (drums on theirs).
     *
     * @param  mixed  $program  0 to 127, or "drums"
     *
     * @throws Refusal
     */
    public static function newTrack(int $songId, mixed $program, mixed $name): Part
    {
        if ($program !== 'drums' && (! is_int($program) || ! isset(GeneralMidi::PROGRAMS[$program]))) {
            throw Refusal::parameter('program', $program, 'a whole number from 0 to 127, or drums');
        }
        $title = $name === null ? ($program === 'drums' ? 'Drum kit' : GeneralMidi::PROGRAMS[$program]) : self::name($name);

        return Keeping::whole(static function () use ($songId, $program, $title): Part {
            $song = Song::query()->findOrFail($songId);
            $taken = array_map(static fn (Part $p): int => $p->toCore()->channel(), $song->parts()->get()->all());
            $free = array_values(array_diff(range(0, 15), [GeneralMidi::DRUM_CHANNEL], $taken));
            $channel = $program === 'drums' ? GeneralMidi::DRUM_CHANNEL : $free[0] ?? 0;
            $last = $song->tracks()->toBase()->max('position');
            $song->revision++;
            $song->save();
            $track = Track::query()->create(['song_id' => $song->id, 'position' => is_int($last) ? $last + 1 : 0, 'name' => $title, 'end' => 0,
                'kept' => [(new Kept(0, 0, Message::META, Message::META_TRACK_NAME, $title))->toArray()], 'revision' => $song->revision]);

            return self::emptyPart($song, $track, $title, new Point(1, 0, Message::PROGRAM | $channel, is_int($program) ? $program : 0));
        });
    }

    /** A new, empty part on a track, which sounds as the track's first does. */
    public static function newPart(int $songId, int $trackId): Part
    {
        return Keeping::whole(static function () use ($songId, $trackId): Part {
            $song = Song::query()->findOrFail($songId);
            $track = Track::query()->where('song_id', $songId)->findOrFail($trackId);
            $parts = Part::query()->where('track_id', $trackId)->get()->sortBy('id')->map(static fn (Part $p): CorePart => $p->toCore())->all();
            $first = reset($parts);
            $channel = $first === false ? 0 : $first->channel();
            $program = 0;
            foreach ($first === false ? [] : $first->points as $point) {
                if ($point->status === (Message::PROGRAM | $channel)) {
                    $program = $point->data1;
                    break;
                }
            }
            $song->revision++;
            $song->save();

            return self::emptyPart($song, $track, $track->name.' '.(count($parts) + 1), new Point(1, 0, Message::PROGRAM | $channel, $program));
        });
    }

    private static function emptyPart(Song $song, Track $track, string $name, Point $sound): Part
    {
        $part = new Part(['song_id' => $song->id, 'track_id' => $track->id, 'name' => $name]);
        $part->fillFrom(CorePart::of(0, $name, [], [$sound]));
        $part->revision = $song->revision;
        $part->save();

        return $part;
    }

    /** The song as the core knows it. */
    public static function toCore(Song $song): CoreSong
    {
        $parts = [];
        foreach ($song->parts()->get()->sortBy('id') as $part) {
            $parts[$part->track_id][] = $part->toCore();
        }
        $tracks = [];
        foreach ($song->tracks()->get()->sortBy('position') as $track) {
            $tracks[] = new CoreTrack($track->name, $parts[$track->id] ?? [], array_map(Kept::fromArray(...), $track->kept), $track->end);
        }

        return new CoreSong($song->name, $song->ppq, $song->tempos, $song->meters, $tracks, Source::fromArray($song->source));
    }

    /** The bytes of the song as a MIDI file. */
    public static function export(Song $song): string
    {
        return Writer::write(Exporter::export(self::toCore($song)));
    }

    /** A copy with everything in it but the history. */
    public static function duplicate(Song $song): Song
    {
        return Keeping::whole(static function () use ($song): Song {
            $core = self::toCore($song);
            $names = array_map(static fn (Song $s): string => $s->name, Song::query()->get()->all());
            $base = (string) preg_replace('/ \(copy( \d+)?\)$/', '', $core->name);
            $name = "$base (copy)";
            for ($i = 2; in_array($name, $names, true); $i++) {
                $name = "$base (copy $i)";
            }

            $copy = self::keep(new CoreSong($name, $core->ppq, $core->tempos, $core->meters, $core->tracks, $core->source));
            foreach (Groove::query()->where('song_id', $song->id)->get() as $groove) {
                Groove::keep($groove->toCore(), $copy->id);
            }

            return $copy;
        });
    }

    /**
     * @throws Refusal when the name is none
     */
    public static function name(mixed $name): string
    {
        $clean = is_string($name) ? trim((string) preg_replace('/[\x00-\x1F\x7F]+/u', ' ', $name)) : '';
        if ($clean === '' || mb_strlen($clean) > 200) {
            throw Refusal::parameter('name', $name, 'a name of 1 to 200 characters');
        }

        return $clean;
    }

    /** A file of JSON to be saved, under a name that every system takes. */
    public static function download(string $name, string $json): Response
    {
        $clean = trim((string) preg_replace('/[^\pL\pN ._-]+/u', '', $name), ' .') ?: 'jactonic.json';

        return new Response($json, 200, ['Content-Type' => 'application/json', 'Content-Disposition' => "attachment; filename*=UTF-8''".rawurlencode($clean)]);
    }

    private static function title(string $fileName): string
    {
        $title = trim((string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_scrub(pathinfo($fileName, PATHINFO_FILENAME))));

        return $title === '' ? 'Untitled' : mb_strimwidth($title, 0, 200);
    }
}

<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Groove;
use App\Models\Part;
use App\Models\Song;
use App\Models\Track;
use Illuminate\Http\Response;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiError;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Kept;
use Jactonic\Core\Score\Song as CoreSong;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Score\Track as CoreTrack;

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

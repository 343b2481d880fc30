<?php

declare(strict_types=1);

namespace App\Songs;

use App\Models\Groove;
use App\Models\Song;
use Illuminate\Support\Facades\DB;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Midi\Exporter;
use Jactonic\Core\Midi\Importer;
use Jactonic\Core\Midi\MidiError;
use Jactonic\Core\Midi\Reader;
use Jactonic\Core\Midi\Writer;
use Jactonic\Core\Param\Context;
use Jactonic\Core\Param\Name;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PassthroughEvent;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Song as CoreSong;
use Jactonic\Core\Score\Source;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Time\TempoMap;
use Jactonic\Core\Time\Timeline;
use PDOException;

/** The songs kept: between the rows of the database and the songs of the core. */
final class Library
{
    /** Rows that are written in one statement. */
    private const AT_ONCE = 200;

    /** Bars that the part of a new song lies over. */
    private const FRESH_BARS = 8;

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
    public static function keep(CoreSong $core, ?string $name = null): Song
    {
        return Transaction::whole(static function () use ($core, $name): Song {
            $time = $core->score->time;
            $song = Song::query()->create([
                'name' => $name ?? $core->name, 'ppq' => $time->ppq, 'tempos' => $time->tempoRows, 'meters' => $time->meterRows, 'markers' => $time->markerRows,
                'source' => $core->source->toArray(), 'revision' => 1, 'scale' => $core->score->scale?->name,
            ]);
            // Ids are given here, so that many rows go in one statement.
            $last = DB::table('tracks')->max('id');
            $last = is_numeric($last) ? (int) $last : 0;
            $tracks = $parts = [];
            foreach (array_values($core->score->tracks) as $position => $track) {
                $tracks[] = ['id' => ++$last, 'song_id' => $song->id, 'position' => $position, 'name' => $track->name, 'end' => $track->end, 'conductor' => $track->conductor,
                    'kept' => json_encode(array_map(static fn (PassthroughEvent $k): array => $k->toArray(), $track->kept()), JSON_THROW_ON_ERROR)];
                foreach ($core->score->partsOf($track->id) as $part) {
                    $parts[] = ['song_id' => $song->id, 'track_id' => $last] + ScoreStore::row($part);
                }
            }
            foreach (['tracks' => $tracks, 'parts' => $parts] as $table => $rows) {
                foreach (array_chunk($rows, self::AT_ONCE) as $some) {
                    DB::table($table)->insert($some);
                }
            }

            return $song->refresh();
        });
    }

    /**
     * An empty song of one track.
     *
     * @param  mixed  $program  0 to 127, or "drums"
     *
     * @throws Refusal
     */
    public static function fresh(string $name, mixed $program): Song
    {
        if ($program !== 'drums' && (! is_int($program) || ! isset(GeneralMidi::PROGRAMS[$program]))) {
            throw Refusal::parameter('program', $program, 'a whole number from 0 to 127, or drums');
        }
        $time = Timeline::of(Timeline::PPQ, [[0, TempoMap::DEFAULT]], [[0, 4, 4]]);
        $batch = new Batch(new Score($time, [], name: $name), context: new Context(span: [0, $time->meters->barNumber(self::FRESH_BARS)->start]));
        $batch->run(['edit' => 'track-new', 'params' => $program === 'drums' ? ['drums' => true] : ['program' => $program]]);

        return self::keep(new CoreSong($batch->score, new Source(1, Timeline::PPQ)));
    }

    /** The song as the core knows it. */
    public static function toCore(Song $song): CoreSong
    {
        return new CoreSong((new ScoreStore($song))->open(), Source::fromArray($song->source));
    }

    /** The bytes of the song as a MIDI file. */
    public static function export(Song $song): string
    {
        return Writer::write(Exporter::export(self::toCore($song)));
    }

    /** A copy with everything in it but the history. */
    public static function duplicate(Song $song): Song
    {
        return Transaction::whole(static function () use ($song): Song {
            $names = Song::query()->pluck('name')->all();
            $base = (string) preg_replace('/ \(copy( \d+)?\)$/', '', $song->name);
            $name = "$base (copy)";
            for ($i = 2; in_array($name, $names, true); $i++) {
                $name = "$base (copy $i)";
            }
            $copy = self::keep(self::toCore($song), $name);
            foreach (Groove::query()->where('song_id', $song->id)->get() as $groove) {
                Groove::keep($groove->toCore(), $copy->id);
            }

            return $copy;
        });
    }

    /** Makes the data file as small as what is in it; left for another time where somebody works in it just now. */
    public static function giveRoomBack(): void
    {
        try {
            DB::connection()->getPdo()->exec('vacuum');
            DB::connection()->getPdo()->exec('pragma wal_checkpoint(truncate)');
        } catch (PDOException) {
            // What is free is used again all the same.
        }
    }

    /**
     * @throws Refusal when the name is none
     */
    public static function name(mixed $name): string
    {
        return (new Name)->read($name, 'name');
    }

    private static function title(string $fileName): string
    {
        $title = trim((string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_scrub(pathinfo($fileName, PATHINFO_FILENAME))));

        return $title === '' ? 'Untitled' : mb_strimwidth($title, 0, 200);
    }
}

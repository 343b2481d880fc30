<?php

declare(strict_types=1);

namespace App\Editing;

use Illuminate\Support\Facades\DB;
use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Time\Timeline;
use RuntimeException;

/**
 * The song as it was after some of its steps, whole, so that a step far off is not walked to. The contents of a part are
 * kept once, however many states have them. Nothing is lost with a state: it can always be walked to again.
 *
 * @phpstan-type State array{time: array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>, markers: list<array{int, string, int, int}>}, name: string, scale?: string|null, tracks: array<int, array{string, int, list<array{int, int, int, int, string}>, int}>, parts: array<int, array{array{int, string, int, int, int, bool}, bool, int}>}
 */
final class KeptStates
{
    /** After every so many steps of a way the song is kept. */
    public const EVERY = 250;

    /** Likewise, for tests that are not to take as many steps. */
    public static int $every = self::EVERY;

    private const PACKED = 1;

    /** @param  Score  $score  as it is after the step, with the parts that are out of sight */
    public static function keep(int $song, int $step, Score $score): void
    {
        $parts = $tracks = [];
        foreach ($score->parts + $score->gone as $id => $part) {
            $parts[$id] = [$part->head->toArray(), isset($score->parts[$id]), self::contents($song, $part)];
        }
        foreach ($score->tracks as $id => $track) {
            $tracks[$id] = $track->toArray();
        }
        $state = json_encode(['time' => TimeChange::rows($score->time), 'name' => $score->name, 'scale' => $score->scale?->name, 'tracks' => (object) $tracks, 'parts' => (object) $parts], JSON_THROW_ON_ERROR);
        DB::table('kept_states')->updateOrInsert(['step_id' => $step], ['song_id' => $song, 'state' => self::pack($state)]);
    }

    /** A step was made longer: the song as it was after it is another. */
    public static function forget(int $step): void
    {
        DB::table('kept_states')->where('step_id', $step)->delete();
    }

    public static function has(int $step): bool
    {
        return DB::table('kept_states')->where('step_id', $step)->exists();
    }

    /** @return array<int, int> depth in the tree of each step after which the song is kept, by its id */
    public static function depths(int $song): array
    {
        $depths = [];
        foreach (DB::table('kept_states')->join('steps', 'steps.id', '=', 'step_id')->where('kept_states.song_id', $song)->pluck('depth', 'step_id') as $step => $depth) {
            $depths[(int) $step] = is_numeric($depth) ? (int) $depth : 0;
        }

        return $depths;
    }

    /** The song as it was after a step, with what was out of sight then. */
    public static function after(int $step, Timeline $now): Score
    {
        /** @var State $state */
        $state = json_decode(self::unpack(DB::table('kept_states')->where('step_id', $step)->value('state')), true, 16, JSON_THROW_ON_ERROR);
        $parts = $gone = $tracks = [];
        foreach ($state['parts'] as $id => [$head, $isThere, $contents]) {
            $part = self::part((int) $id, PartHead::fromArray($head), $contents);
            if ($isThere) {
                $parts[$id] = $part;
            } else {
                $gone[$id] = $part;
            }
        }
        foreach ($state['tracks'] as $id => $track) {
            $tracks[$id] = Track::fromArray($id, $track);
        }
        $time = Timeline::of($now->ppq, $state['time']['tempos'], $state['time']['meters'], $state['time']['markers']);

        return new Score($time, $parts, $tracks, gone: $gone, name: $state['name'], scale: Scale::tryParse($state['scale'] ?? null));
    }

    private static function part(int $id, PartHead $head, int $contents): Part
    {
        $both = null;
        $read = static function (int $which) use ($contents, &$both): string {
            $both ??= self::unpack(DB::table('kept_parts')->where('id', $contents)->value('contents'));
            $length = unpack('P', $both)[1] ?? 0;
            $length = is_int($length) ? $length : 0;

            return $which === 0 ? substr($both, 8, $length) : substr($both, 8 + $length);
        };

        return new Part($id, $head, Rows::read(Table::notes(), static fn (): string => $read(0), $head->origin), Rows::read(Table::points(), static fn (): string => $read(1), $head->origin), null);
    }

    /** Keeps what is in a part, where it is not kept yet; the id under which it is. */
    private static function contents(int $song, Part $part): int
    {
        $notes = $part->notes->bytes($part->head->origin);
        $both = pack('P', strlen($notes)).$notes.$part->points->bytes($part->head->origin);
        $where = ['part_id' => $part->id, 'hash' => hash('sha256', $both)];
        $id = DB::table('kept_parts')->where($where)->value('id');

        return is_numeric($id) ? (int) $id : DB::table('kept_parts')->insertGetId($where + ['song_id' => $song, 'contents' => self::pack($both)]);
    }

    private static function pack(string $bytes): string
    {
        return gzdeflate($bytes, self::PACKED) ?: throw new RuntimeException('A state could not be packed.');
    }

    private static function unpack(mixed $bytes): string
    {
        $read = is_string($bytes) ? gzinflate($bytes) : false;

        return $read === false ? throw new RuntimeException('A state of the song that was kept cannot be read.') : $read;
    }
}

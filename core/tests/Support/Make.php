<?php

declare(strict_types=1);

namespace Jactonic\Core\Tests\Support;

use Jactonic\Core\Change\TimeChange;
use Jactonic\Core\Command\Batch;
use Jactonic\Core\Edit\AppliesTo;
use Jactonic\Core\Edit\Catalogue;
use Jactonic\Core\Edit\Outcome;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Track;
use Jactonic\Core\Time\Timeline;

/** Small scores for tests: 960 ticks a quarter, 120 a minute, 4/4, unless a test says otherwise. */
final class Make
{
    /**
     * A score of one part, numbered 1.
     *
     * @param  list<array{int, int, int, 3?: int}>  $notes  start, length, pitch, velocity; ids from 1 in this order
     * @param  array<string, mixed>  $settings
     */
    public static function score(array $notes, array $settings = [], ?Timeline $time = null): Score
    {
        $made = array_map(static fn (array $n, int $i): Note => new Note($i + 1, $n[0], $n[1], $n[2], $n[3] ?? 80), $notes, array_keys($notes));

        return new Score($time ?? Timeline::of(960), [1 => Part::of(1, 'Part', $made, [], PartSettings::fromArray($settings))], [1 => new Track(1, 'Track', 0)], 2, 2);
    }

    /**
     * A take of a seeded player: any starts, lengths, pitches and velocities, some of them muted and on other channels.
     */
    public static function take(int $seed, int $count = 60): Score
    {
        mt_srand($seed);
        $notes = [];
        for ($id = 1; $id <= $count; $id++) {
            $notes[] = new Note($id, mt_rand(0, 16 * 960), mt_rand(1, 2000), mt_rand(20, 110), mt_rand(1, 127), muted: mt_rand(0, 9) === 0, group: $id <= 6 ? intdiv($id + 1, 2) : 0, channel: mt_rand(0, 2),
                driftStart: mt_rand(-50, 50), driftLength: mt_rand(-9, 9), articulation: $id % 7 === 0 ? 2 : 0, own: $id % 9 === 0 ? '{"bend":[[0,0],[100,512]],"cc:11":[[50,90]]}' : '', release: $id % 11 === 0 ? Note::RELEASE_NONE : Note::RELEASE);
        }
        $points = array_map(static fn (int $i): Point => new Point($i, mt_rand(0, 16 * 960), 0xB0 | mt_rand(0, 2), [1, 11, 64][$i % 3], mt_rand(0, 127)), range(1, 60));
        $time = Timeline::of(960, [[0, 500_000], [6_000, 731_000]], [[0, 4, 4], [7_680, 7, 8]], [[1_920, base64_encode('Mooring'), 0, 0]]);

        return new Score($time, [1 => Part::of(1, 'Take', $notes, $points, PartSettings::fromArray(['grid' => '1/16T', 'swing' => 58.5, 'strength' => 83]))],
            [1 => ArticulationSet::on(new Track(1, 'Piano', 0), ArticulationSet::read('Guitar')), 2 => new Track(2, 'Bass', 1)], 2, 3, name: 'Crossing');
    }

    /**
     * Runs an edit on all notes, or on those given.
     *
     * @param  array<string, mixed>  $params
     * @param  list<int>|null  $notes
     */
    public static function edit(Score $score, string $edit, array $params = [], ?array $notes = null): Outcome
    {
        $takes = Catalogue::edit($edit)::spec()->takes;
        $on = $notes === null && $takes === [AppliesTo::Points] ? self::on(AppliesTo::Points, $score) : ['part' => 1] + ($notes === null ? ['pick' => ['all' => true]] : ['notes' => $notes]);

        return Batch::once(['edit' => $edit, 'params' => $params, 'on' => $on], $score);
    }

    /**
     * All that there is of one kind, as a command names it.
     *
     * @return array<array-key, mixed>
     */
    public static function on(AppliesTo $what, Score $score): array
    {
        $lanes = [];
        foreach ($score->part(1)->points as $id => $point) {
            $lanes[Lane::of($point)->name][] = $id;
        }

        return match ($what) {
            AppliesTo::Notes => ['part' => 1, 'pick' => ['all' => true]],
            AppliesTo::Points => array_map(static fn (string $lane, array $ids): array => ['part' => 1, 'lane' => $lane, 'points' => $ids], array_keys($lanes), $lanes),
            AppliesTo::Parts => ['parts' => [1]],
            AppliesTo::Tracks => ['tracks' => [1]],
        };
    }

    /**
     * The score after an edit.
     *
     * @param  array<string, mixed>  $params
     * @param  list<int>|null  $notes
     */
    public static function after(Score $score, string $edit, array $params = [], ?array $notes = null): Score
    {
        return self::edit($score, $edit, $params, $notes)->change->applyTo($score);
    }

    /** @return list<int> */
    public static function starts(Score $score): array
    {
        return self::each($score, static fn (Note $n): int => $n->start);
    }

    /** @return list<int> */
    public static function lengths(Score $score): array
    {
        return self::each($score, static fn (Note $n): int => $n->length);
    }

    /** @return list<int> */
    public static function pitches(Score $score): array
    {
        return self::each($score, static fn (Note $n): int => $n->pitch);
    }

    /** @return list<int> */
    public static function velocities(Score $score): array
    {
        return self::each($score, static fn (Note $n): int => $n->velocity);
    }

    /** All of a score as it is kept, to the last byte. */
    public static function bytes(Score $score): string
    {
        $parts = array_map(static fn (Part $p): array => [$p->head->toArray(), base64_encode($p->notes->bytes($p->head->origin)), base64_encode($p->points->bytes($p->head->origin)), $p->settings()->toArray()], $score->parts);
        $tracks = array_map(static fn (Track $t): array => $t->toArray(), $score->tracks);

        return json_encode([$score->name, $score->scale?->name, $parts, $tracks, TimeChange::rows($score->time)], JSON_THROW_ON_ERROR);
    }

    /**
     * The bar lines that a table draws, up to a tick.
     *
     * @param  array{runs: list<array{int, int, int, int, list<array{int, int}>}>, patterns: list<list<int>>}  $table
     * @return list<int>
     */
    public static function bars(array $table, int $end): array
    {
        return array_column(self::barsOf($table, $end), 0);
    }

    /**
     * All lines that a table draws in the bars that begin up to a tick.
     *
     * @param  array{runs: list<array{int, int, int, int, list<array{int, int}>}>, patterns: list<list<int>>}  $table
     * @return list<int>
     */
    public static function drawn(array $table, int $end): array
    {
        $drawn = [];
        foreach (self::barsOf($table, $end) as [$start, $pattern]) {
            foreach ($table['patterns'][$pattern] as $offset) {
                $drawn[] = $start + $offset;
            }
        }

        return $drawn;
    }

    /**
     * @param  array{runs: list<array{int, int, int, int, list<array{int, int}>}>, patterns: list<list<int>>}  $table
     * @return list<array{int, int}> start of each bar, and its pattern
     */
    private static function barsOf(array $table, int $end): array
    {
        $all = [];
        foreach ($table['runs'] as [$tick, , $every, $times, $bars]) {
            for ($i = 0; $i < $times && $tick + $i * $every <= $end; $i++) {
                foreach ($bars as [$offset, $pattern]) {
                    if ($tick + $i * $every + $offset <= $end) {
                        $all[] = [$tick + $i * $every + $offset, $pattern];
                    }
                }
            }
        }

        return $all;
    }

    /**
     * In the order of ids.
     *
     * @param  \Closure(Note): int  $what
     * @return list<int>
     */
    private static function each(Score $score, \Closure $what): array
    {
        return array_values(array_map($what, $score->part(1)->notes->all()));
    }
}

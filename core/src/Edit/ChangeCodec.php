<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\PartHead;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Score\Track;

/**
 * A change as compact JSON, for keeping. Of notes and points that stay, only the columns that changed are written,
 * before and after; what is put in or taken away is written whole.
 *
 * @phpstan-type Written array{ids?: list<int>, columns?: array<string, array{list<mixed>, list<mixed>}>, drop?: array<string, list<mixed>>, put?: array<string, list<mixed>>}
 */
final class ChangeCodec
{
    public static function encode(Change $change): string
    {
        $data = [];
        foreach ($change->parts as $id => $part) {
            $data[$id] = self::differences(Table::notes(), $part->before, $part->after, $part->unlike) + array_filter([
                'points' => self::differences(Table::points(), $part->pointsBefore, $part->pointsAfter, $part->pointsUnlike),
                'head' => $part->head === null ? [] : [$part->head->before?->toArray(), $part->head->after?->toArray(), $part->head->settings?->toArray()],
            ], static fn (array $v): bool => $v !== []);
        }
        foreach ($change->tracks as $id => $track) {
            $data['tracks'][$id] = [$track->before?->toArray(), $track->after?->toArray()];
        }
        if ($change->time !== null) {
            $data['time'] = [$change->time->before, $change->time->after];
        }

        if ($change->song !== []) {
            $data['song'] = $change->song;
        }

        return json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /**
     * The change again, for the score as it stands on one side of it.
     *
     * @param  bool  $undo  true when the score stands after the change, false when before it
     */
    public static function decode(string $json, Score $score, bool $undo): Change
    {
        $data = self::data($json);
        $parts = $tracks = [];
        $time = null;
        if (isset($data['time'])) {
            // Steps of before there were markers leave them as they are.
            $same = ['markers' => $score->time->markerRows];
            /** @var array{0: array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>, markers: list<array{int, string, int, int}>}, 1: array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>, markers: list<array{int, string, int, int}>}} $sides */
            $sides = $data['time'];
            $time = new TimeChange($sides[0] + $same, $sides[1] + $same);
        }
        /** @var array<int, array{array{string, int, list<array{int, int, int, int, string}>, int}|null, array{string, int, list<array{int, int, int, int, string}>, int}|null}> $kept */
        $kept = $data['tracks'] ?? [];
        foreach ($kept as $id => [$before, $after]) {
            $tracks[$id] = new TrackChange($before === null ? null : Track::fromArray($id, $before), $after === null ? null : Track::fromArray($id, $after));
        }
        foreach ($data as $id => $part) {
            if (! is_int($id)) {
                continue;
            }
            /** @var array{ids?: list<int>, columns?: array<string, array{list<mixed>, list<mixed>}>, drop?: array<string, list<mixed>>, put?: array<string, list<mixed>>, points?: Written, pointsBefore?: array<string, list<mixed>>, pointsAfter?: array<string, list<mixed>>, head?: array{array{int, string, int, int, int, bool}|null, array{int, string, int, int, int, bool}|null, array<string, mixed>|null}} $part */
            $present = $score->parts[$id] ?? $score->gone[$id] ?? null;
            [$before, $after] = self::sides(Table::notes(), $part, $present?->notes, $undo);
            // Steps of before points could be chosen hold them whole on both sides.
            [$pointsBefore, $pointsAfter] = isset($part['pointsBefore']) || isset($part['pointsAfter'])
                ? [Table::points()->read($part['pointsBefore'] ?? []), Table::points()->read($part['pointsAfter'] ?? [])]
                : self::sides(Table::points(), $part['points'] ?? [], $present?->points, $undo);
            $head = isset($part['head']) ? new HeadChange(
                $part['head'][0] === null ? null : PartHead::fromArray($part['head'][0]),
                $part['head'][1] === null ? null : PartHead::fromArray($part['head'][1]),
                ($part['head'][2] ?? null) === null ? null : PartSettings::fromArray($part['head'][2]),
            ) : null;
            $parts[$id] = new PartChange($before, $after, $pointsBefore, $pointsAfter, $head, self::unlike(Table::notes(), $part), isset($part['pointsBefore']) || isset($part['pointsAfter']) ? Table::ALL : self::unlike(Table::points(), $part['points'] ?? []));
        }

        // Steps of before songs had scales hold the name by itself.
        /** @var array<string, array{string|null, string|null}> $song */
        $song = $data['song'] ?? (isset($data['name']) ? ['name' => $data['name']] : []);

        return new Change($parts, $time, $tracks, $song);
    }

    /**
     * The parts that a kept change touches.
     *
     * @return list<int>
     */
    public static function parts(string $json): array
    {
        return array_values(array_filter(array_keys(self::data($json)), is_int(...)));
    }

    /** @return array<array-key, mixed> */
    private static function data(string $json): array
    {
        /** @var array<array-key, mixed> */
        return json_decode($json, true, 16, JSON_THROW_ON_ERROR);
    }

    /**
     * The columns that a step has written, a bit each.
     *
     * @param  Table<covariant Note|Point>  $table
     * @param  Written  $written
     */
    private static function unlike(Table $table, array $written): int
    {
        return $table->bit(...array_keys($written['columns'] ?? []));
    }

    /**
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     * @param  array<int, T>  $before
     * @param  array<int, T>  $after
     * @return array<string, mixed>
     */
    private static function differences(Table $table, array $before, array $after, int $unlike): array
    {
        [$kept, $now] = [$before, $after];
        if (array_keys($before) !== array_keys($after)) {
            $kept = array_intersect_key($before, $after);
            $now = array_intersect_key($after, $before);
            ksort($kept);
            ksort($now);
        }
        $columns = [];
        foreach ($table->named($unlike) as $name) {
            Watch::look();
            $was = array_column($kept, $name);
            $is = array_column($now, $name);
            if ($was !== $is) {
                $columns[$name] = [$was, $is];
            }
        }
        $drop = array_diff_key($before, $after);
        $put = array_diff_key($after, $before);

        return array_filter([
            'ids' => array_keys($kept),
            'columns' => $columns,
            'drop' => $drop === [] ? [] : $table->write($drop),
            'put' => $put === [] ? [] : $table->write($put),
        ], static fn (array $v): bool => $v !== []);
    }

    /**
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     * @param  Written  $written
     * @param  Rows<T>|null  $present
     * @return array{array<int, T>, array<int, T>} before and after
     */
    private static function sides(Table $table, array $written, ?Rows $present, bool $undo): array
    {
        $now = $then = [];
        $columns = $written['columns'] ?? [];
        foreach ($written['ids'] ?? [] as $i => $id) {
            Watch::step();
            $thing = $present?->get($id) ?? throw new \LogicException("A step works on $id, which is not there.");
            $other = [];
            foreach ($columns as $name => $sides) {
                $other[$name] = $sides[$undo ? 0 : 1][$i];
            }
            $now[$id] = $thing;
            $then[$id] = $thing->exactly($other);
        }
        [$before, $after] = $undo ? [$then, $now] : [$now, $then];

        // @phpstan-ignore return.type (a note with columns of its table is a note)
        return [$before + $table->read($written['drop'] ?? []), $after + $table->read($written['put'] ?? [])];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Change;

use Jactonic\Core\Progress;
use Jactonic\Core\Score\Ids;
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
 * before and after; what is put in or taken away is written whole. Ids that follow one another are a pair; a column that has
 * the same more in all of many is that number.
 *
 * @phpstan-type Written array{ids?: list<int|array{int, int}>, columns?: array<string, array{list<mixed>, list<mixed>}|int>, drop?: array<string, list<mixed>>, put?: array<string, list<mixed>>}
 */
final class ChangeCodec
{
    /** From how many on a number that each has more is written once. */
    private const MANY = 8;

    public static function encode(Change $change): string
    {
        $data = [];
        foreach ($change->parts as $id => $part) {
            $data[$id] = self::differences(Table::notes(), $part->notes) + array_filter([
                'points' => self::differences(Table::points(), $part->points),
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
            /** @var array{ids?: list<int|array{int, int}>, columns?: array<string, array{list<mixed>, list<mixed>}|int>, drop?: array<string, list<mixed>>, put?: array<string, list<mixed>>, points?: Written, pointsBefore?: array<string, list<mixed>>, pointsAfter?: array<string, list<mixed>>, head?: array{array{int, string, int, int, int, bool}|null, array{int, string, int, int, int, bool}|null, array<string, mixed>|null}} $part */
            $present = $score->parts[$id] ?? $score->gone[$id] ?? null;
            $notes = self::sides(Table::notes(), $part, $present?->notes, $undo);
            // Steps of before points could be selected hold them whole on both sides.
            $points = isset($part['pointsBefore']) || isset($part['pointsAfter'])
                ? RowsChange::of(Table::points(), Table::points()->read($part['pointsBefore'] ?? []), Table::points()->read($part['pointsAfter'] ?? []))
                : self::sides(Table::points(), $part['points'] ?? [], $present?->points, $undo);
            $head = isset($part['head']) ? new HeadChange(
                $part['head'][0] === null ? null : PartHead::fromArray($part['head'][0]),
                $part['head'][1] === null ? null : PartHead::fromArray($part['head'][1]),
                ($part['head'][2] ?? null) === null ? null : PartSettings::fromArray($part['head'][2]),
            ) : null;
            $parts[$id] = new PartChange($notes, $points, $head);
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
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     * @param  RowsChange<T>  $sides
     * @return array<string, mixed>
     */
    private static function differences(Table $table, RowsChange $sides): array
    {
        [$ids, $going, $coming] = [$sides->staying(), $sides->going(), $sides->coming()];
        $columns = [];
        foreach ($ids === [] ? [] : $table->named($sides->changedColumns) as $name) {
            Progress::look();
            [$was, $is] = $sides->column($name);
            if ($was !== $is) {
                $columns[$name] = count($ids) < self::MANY ? [$was, $is] : $sides->by($name) ?? [$was, $is];
            }
        }

        return array_filter([
            'ids' => Ids::runs($ids),
            'columns' => $columns,
            'drop' => $going === [] ? [] : $table->write($going),
            'put' => $coming === [] ? [] : $table->write($coming),
        ], static fn (array $v): bool => $v !== []);
    }

    /**
     * @template T of Note|Point
     *
     * @param  Table<T>  $table
     * @param  Written  $written
     * @param  Rows<T>|null  $present
     * @return RowsChange<T>
     */
    private static function sides(Table $table, array $written, ?Rows $present, bool $undo): RowsChange
    {
        $ids = Ids::spread($written['ids'] ?? []);
        $columns = $written['columns'] ?? [];
        if ($ids !== [] && $present === null) {
            throw new \LogicException('A step changes something that does not exist.');
        }
        $was = $is = [];
        foreach ($columns as $name => $sides) {
            if (is_array($sides)) {
                [$was[$name], $is[$name]] = $sides;
            } else {
                $now = $present?->integers($name, $ids) ?? [];
                $other = array_map(static fn (int $value): int => $undo ? $value - $sides : $value + $sides, $now);
                [$was[$name], $is[$name]] = $undo ? [$other, $now] : [$now, $other];
            }
        }
        if (! Ids::areAscending($ids)) {
            // Steps of before ids were kept in order.
            asort($ids);
            $inOrder = static fn (array $list): array => array_map(static fn (int $i): mixed => $list[$i], array_keys($ids));
            [$was, $is, $ids] = [array_map($inOrder, $was), array_map($inOrder, $is), array_values($ids)];
        }
        $staying = RowsChange::columns($table, $present ?? Rows::of($table, []), $ids, $was, $is);
        if (! isset($written['drop']) && ! isset($written['put'])) {
            return $staying;
        }

        return RowsChange::of($table, $staying->before() + $table->read($written['drop'] ?? []), $staying->after() + $table->read($written['put'] ?? []), $staying->changedColumns);
    }
}

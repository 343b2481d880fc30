<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Ids;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Part;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\Condition\Span;

/**
 * Reads the `on` of a command: what it works on.
 */
final class TargetReader
{
    /** From how many on all are looked at at once, instead of each that is asked for. */
    private const MANY = 64;

    /** The most things that pairs may stand for. */
    private const MOST = 1_000_000;

    public const ALLOWED = '{"part": P, "notes": [ids]} or {"part": P, "pick": {…}}, {"part": P, "lane": L, "points": [ids]} or with "pick": {"span" or "value"}, {"parts": [P…]} or {"tracks": [T…]}, or a list of those';

    private const KEYS = ['part', 'notes', 'pick', 'lane', 'points', 'parts', 'tracks'];

    /** @throws Refusal when it is not that, or something it names is not there */
    public static function read(mixed $on, Score $score): Selection
    {
        $notes = $points = $parts = $tracks = [];
        foreach (self::items($on) as $item) {
            $unknown = array_diff(array_keys($item), self::KEYS);
            if ($unknown !== []) {
                throw Refusal::parameter('on', reset($unknown), self::ALLOWED);
            }
            if (isset($item['parts'])) {
                array_push($parts, ...array_map(static fn (int $id): int => $score->part($id)->id, self::ids($item['parts'], 'on.parts')));

                continue;
            }
            if (isset($item['tracks'])) {
                array_push($tracks, ...array_map(static fn (int $id): int => $score->track($id)->id, self::ids($item['tracks'], 'on.tracks')));

                continue;
            }
            if (isset($item['pick']) && (isset($item['notes']) || isset($item['points']))) {
                throw new Refusal('“on” names things and gives a condition besides (“pick”): it takes one of them.', 'on');
            }
            $part = $score->part(is_int($item['part'] ?? null) ? $item['part'] : throw Refusal::parameter('on.part', $item['part'] ?? null, 'the id of a part'));
            if (isset($item['lane'])) {
                $lane = Lane::parse($item['lane']);
                $points[$part->id][$lane->name] = self::once([...$points[$part->id][$lane->name] ?? [], ...self::pointsOf($item, $part, $lane)]);

                continue;
            }
            $ids = isset($item['pick']) ? NoteFilter::parse($item['pick'])->of($part, $score->time, $score->scale) : self::notesOf($item['notes'] ?? [], $part);
            $notes[$part->id] = isset($notes[$part->id]) ? self::once([...$notes[$part->id], ...$ids]) : $ids;
        }

        return new Selection($notes, $points, self::once($parts), self::once($tracks));
    }

    /** @return list<int> */
    private static function notesOf(mixed $ids, Part $part): array
    {
        $ids = self::ids($ids, 'on.notes');
        if ($ids === $part->notes->ids()) {
            // The very list of the part: that it is the same is then seen at a glance.
            return $part->notes->ids();
        }
        $ids = self::once($ids);
        $there = count($ids) >= self::MANY ? array_flip($part->notes->ids()) : [];
        foreach ($ids as $id) {
            if (! isset($there[$id]) && ! $part->notes->has($id)) {
                throw Refusal::parameter('on.notes', $id, sprintf('ids of notes that are in the part “%s”', $part->name))->onScreen(sprintf('A note that was meant is not in the part “%s” any more.', $part->name));
            }
        }

        return $ids;
    }

    /**
     * @param  array<array-key, mixed>  $item
     * @return list<int>
     */
    private static function pointsOf(array $item, Part $part, Lane $lane): array
    {
        if (isset($item['pick'])) {
            $pick = $item['pick'];
            if (! is_array($pick) || $pick === [] || array_diff(array_keys($pick), ['all', 'span', 'value']) !== []) {
                throw Refusal::parameter('on.pick', $pick, '{"all": true}, {"span": {"from", "to"}} or {"value": a value or {"min", "max"}}');
            }
            $span = isset($pick['span']) ? Span::ends($pick['span']) : [PHP_INT_MIN, PHP_INT_MAX];
            $range = isset($pick['value']) ? Range::ends($pick['value'], 'value') : [PHP_INT_MIN, PHP_INT_MAX];
            $found = array_filter($part->shownPoints(), static fn (Point $p): bool => $lane->holds($p) && $p->tick >= $span[0] && $p->tick < $span[1]
                && $lane->value($p) >= $range[0] && $lane->value($p) <= $range[1]);

            return array_keys($found);
        }
        $ids = self::ids($item['points'] ?? [], 'on.points');
        $wrong = static fn (int $id): Refusal => Refusal::parameter('on.points', $id, sprintf('ids of points that are in the lane %s of the part “%s”', $lane->name, $part->name))->onScreen(sprintf('A point that was meant is not in the part “%s” any more.', $part->name));
        if (count($ids) < self::MANY) {
            foreach ($ids as $id) {
                $point = $part->points->get($id);
                if ($point === null || ! $lane->holds($point)) {
                    throw $wrong($id);
                }
            }

            return $ids;
        }
        [$places, $statuses, $data] = [array_flip($part->points->ids()), $part->points->integers('status'), $part->points->integers('data1')];
        foreach ($ids as $id) {
            $at = $places[$id] ?? throw $wrong($id);
            if (! $lane->is($statuses[$at], $data[$at])) {
                throw $wrong($id);
            }
        }

        return $ids;
    }

    /** @return list<int> */
    private static function ids(mixed $ids, string $name): array
    {
        $wrong = static fn (mixed $id): Refusal => Refusal::parameter($name, $id, 'a list of ids, or of pairs of the first and the last of some that follow one another');
        if (! is_array($ids) || ! array_is_list($ids)) {
            throw $wrong($ids);
        }
        $runs = [];
        $count = 0;
        foreach ($ids as $id) {
            if (is_array($id) && array_is_list($id) && count($id) === 2 && is_int($id[0]) && is_int($id[1]) && $id[0] <= $id[1]) {
                $count += $id[1] - $id[0];
                $runs[] = [$id[0], $id[1]];
            } else {
                $runs[] = is_int($id) ? $id : throw $wrong($id);
            }
            if ($count > self::MOST) {
                throw $wrong($id);
            }
        }

        return Ids::spread($runs);
    }

    /**
     * @param  list<int>  $ids
     * @return list<int>
     */
    private static function once(array $ids): array
    {
        return array_keys(array_flip($ids));
    }

    /** @return list<array<array-key, mixed>> */
    private static function items(mixed $on): array
    {
        if (is_array($on) && ! array_is_list($on)) {
            return [$on];
        }
        if (! is_array($on) || ! array_is_list($on)) {
            throw Refusal::parameter('on', $on, self::ALLOWED);
        }

        return array_map(static fn (mixed $item): array => is_array($item) ? $item : throw Refusal::parameter('on', $item, self::ALLOWED), $on);
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Score;

/**
 * Reads the `on` of a command: {"part": P, "notes": [ids]} or {"part": P, "pick": {…}}, or a list of those.
 */
final class On
{
    public const ALLOWED = '{"part": P, "notes": [ids]} or {"part": P, "pick": {…}}, or a list of those';

    /** @throws Refusal when it is not that, or a part or a note is not there */
    public static function read(mixed $on, Score $score): Selection
    {
        $selected = [];
        foreach (self::items($on) as $item) {
            $part = $score->part(self::part($item));
            if (isset($item['pick'])) {
                $ids = Pick::parse($item['pick'])->of($part, $score->time);
            } else {
                $ids = $item['notes'] ?? [];
                if (! is_array($ids) || ! array_is_list($ids)) {
                    throw Refusal::parameter('on.notes', $ids, 'a list of note ids');
                }
                foreach ($ids as $id) {
                    if (! is_int($id) || ! isset($part->notes[$id])) {
                        throw Refusal::parameter('on.notes', $id, sprintf('ids of notes that are in the part “%s”', $part->name));
                    }
                }
            }
            /** @var list<int> $ids */
            if (isset($selected[$part->id])) {
                array_push($selected[$part->id], ...$ids);
                $selected[$part->id] = self::once($selected[$part->id]);
            } else {
                // A pick names each note once.
                $selected[$part->id] = isset($item['pick']) ? $ids : self::once($ids);
            }
        }

        return new Selection($selected);
    }

    /**
     * The parts that an `on` names, before any is loaded.
     *
     * @return list<int>
     *
     * @throws Refusal
     */
    public static function parts(mixed $on): array
    {
        return array_values(array_unique(array_map(self::part(...), self::items($on))));
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
        if (is_array($on) && isset($on['part'])) {
            return [$on];
        }
        if (! is_array($on) || ! array_is_list($on)) {
            throw Refusal::parameter('on', $on, self::ALLOWED);
        }
        $items = [];
        foreach ($on as $item) {
            $items[] = is_array($item) ? $item : throw Refusal::parameter('on', $item, self::ALLOWED);
        }

        return $items;
    }

    /** @param  array<array-key, mixed>  $item */
    private static function part(array $item): int
    {
        $part = $item['part'] ?? null;

        return is_int($part) ? $part : throw Refusal::parameter('on.part', $part, 'the id of a part');
    }
}

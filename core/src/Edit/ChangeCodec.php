<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Score\Document;
use Jactonic\Core\Score\Note;

/**
 * A change as compact JSON, for keeping. Of notes that stay, only the columns that changed are written, before and
 * after; notes put in and taken away are written whole.
 */
final class ChangeCodec
{
    public static function encode(Change $change): string
    {
        $data = [];
        foreach ($change->parts as $id => $part) {
            $kept = array_intersect_key($part->before, $part->after);
            $columns = [];
            foreach (self::differing($kept, $part->after) as $column) {
                $was = $is = [];
                foreach ($kept as $noteId => $note) {
                    $was[] = $note->{$column};
                    $is[] = $part->after[$noteId]->{$column};
                }
                $columns[$column] = [$was, $is];
            }
            $data[$id] = array_filter([
                'ids' => array_keys($kept),
                'columns' => $columns,
                'drop' => self::whole(array_diff_key($part->before, $part->after)),
                'put' => self::whole(array_diff_key($part->after, $part->before)),
                'pointsBefore' => $part->pointsBefore === [] ? [] : Document::pointColumns($part->pointsBefore),
                'pointsAfter' => $part->pointsAfter === [] ? [] : Document::pointColumns($part->pointsAfter),
            ], static fn (array $v): bool => $v !== []);
        }

        if ($change->time !== null) {
            $data['time'] = [$change->time->before, $change->time->after];
        }

        return json_encode((object) $data, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
    }

    /**
     * The change again, for the score as it stands on one side of it.
     *
     * @param  array<int, array<int, Note>>  $present  the notes of each part now, by part id and note id
     * @param  bool  $undo  true when the score stands after the change, false when before it
     */
    public static function decode(string $json, array $present, bool $undo): Change
    {
        /** @var array<array-key, mixed> $data */
        $data = json_decode($json, true, 16, JSON_THROW_ON_ERROR);
        $parts = [];
        $time = null;
        if (isset($data['time'])) {
            /** @var array{0: array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>}, 1: array{tempos: list<array{int, int, int, int}>, meters: list<array{int, int, int, int, int, int, int}>}} $sides */
            $sides = $data['time'];
            $time = new TimeChange($sides[0], $sides[1]);
            unset($data['time']);
        }
        /** @var array<int, array{ids?: list<int>, columns?: array<string, array{list<mixed>, list<mixed>}>, drop?: array<string, list<mixed>>, put?: array<string, list<mixed>>, pointsBefore?: array<string, list<int>>, pointsAfter?: array<string, list<int>>}> $data */
        foreach ($data as $id => $part) {
            $now = $then = [];
            $ids = $part['ids'] ?? [];
            $columns = $part['columns'] ?? [];
            foreach ($ids as $i => $noteId) {
                $note = $present[$id][$noteId];
                $fields = get_object_vars($note);
                foreach ($columns as $column => $sides) {
                    $fields[$column] = $sides[$undo ? 0 : 1][$i];
                }
                $now[$noteId] = $note;
                /** @var array{id: int, start: int, length: int, pitch: int, velocity: int, release: int, muted: bool, group: int, channel: int, driftStart: int, driftLength: int, carryStart: float, carryLength: float} $fields */
                $then[$noteId] = new Note(...$fields);
            }
            [$before, $after] = $undo ? [$then, $now] : [$now, $then];
            $parts[$id] = new PartChange(
                $before + Document::notes($part['drop'] ?? []),
                $after + Document::notes($part['put'] ?? []),
                Document::points($part['pointsBefore'] ?? []),
                Document::points($part['pointsAfter'] ?? []),
            );
        }

        return new Change($parts, $time);
    }

    /**
     * The parts that a kept change touches.
     *
     * @return list<int>
     */
    public static function parts(string $json): array
    {
        /** @var array<array-key, mixed> $data */
        $data = json_decode($json, true, 16, JSON_THROW_ON_ERROR);

        return array_values(array_filter(array_keys($data), is_int(...)));
    }

    /**
     * The fields in which any of the notes differs. Written out, field by field: this runs over every note of an edit.
     *
     * @param  array<int, Note>  $before
     * @param  array<int, Note>  $after
     * @return list<string>
     */
    private static function differing(array $before, array $after): array
    {
        $seen = [];
        foreach ($before as $id => $a) {
            $b = $after[$id];
            if ($a->start !== $b->start) {
                $seen['start'] = true;
            }
            if ($a->length !== $b->length) {
                $seen['length'] = true;
            }
            if ($a->pitch !== $b->pitch) {
                $seen['pitch'] = true;
            }
            if ($a->velocity !== $b->velocity) {
                $seen['velocity'] = true;
            }
            if ($a->driftStart !== $b->driftStart) {
                $seen['driftStart'] = true;
            }
            if ($a->driftLength !== $b->driftLength) {
                $seen['driftLength'] = true;
            }
            if ($a->muted !== $b->muted) {
                $seen['muted'] = true;
            }
            if ($a->carryStart !== $b->carryStart) {
                $seen['carryStart'] = true;
            }
            if ($a->carryLength !== $b->carryLength) {
                $seen['carryLength'] = true;
            }
            if ($a->release !== $b->release) {
                $seen['release'] = true;
            }
            if ($a->group !== $b->group) {
                $seen['group'] = true;
            }
            if ($a->channel !== $b->channel) {
                $seen['channel'] = true;
            }
        }

        return array_keys($seen);
    }

    /**
     * @param  array<int, Note>  $notes
     * @return array<string, list<mixed>>
     */
    private static function whole(array $notes): array
    {
        return $notes === [] ? [] : Document::columns($notes);
    }
}

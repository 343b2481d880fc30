<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * Notes and points as compact columns, and back: {"id": [1, 2], "start": [0, 480], …}. A column whose every value is
 * the default is left out. The form is canonical: equal notes give equal bytes.
 */
final class Document
{
    /** Columns of a note that are left out where every value is this. */
    private const NOTE_DEFAULTS = [
        'release' => Note::RELEASE, 'muted' => false, 'group' => 0, 'channel' => 0,
        'driftStart' => 0, 'driftLength' => 0, 'carryStart' => 0.0, 'carryLength' => 0.0,
    ];

    /** The part's notes and points as one JSON document. */
    public static function encode(Part $part): string
    {
        return json_encode(
            ['notes' => self::columns($part->notes), 'points' => self::pointColumns($part->points)],
            JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * @return array{array<int, Note>, array<int, Point>} notes and points by id
     */
    public static function decode(string $document): array
    {
        /** @var array{notes?: array<string, list<int>>, points?: array<string, list<int>>} $data */
        $data = json_decode($document, true, 16, JSON_THROW_ON_ERROR);

        return [self::notes($data['notes'] ?? []), self::points($data['points'] ?? [])];
    }

    /**
     * @param  array<int, Note>  $notes
     * @return array<string, list<mixed>>
     */
    public static function columns(array $notes): array
    {
        $columns = ['id' => [], 'start' => [], 'length' => [], 'pitch' => [], 'velocity' => []];
        $seen = [];
        foreach ($notes as $n) {
            $columns['id'][] = $n->id;
            $columns['start'][] = $n->start;
            $columns['length'][] = $n->length;
            $columns['pitch'][] = $n->pitch;
            $columns['velocity'][] = $n->velocity;
            if ($n->release !== Note::RELEASE) {
                $seen['release'] = true;
            }
            if ($n->muted) {
                $seen['muted'] = true;
            }
            if ($n->group !== 0) {
                $seen['group'] = true;
            }
            if ($n->channel !== 0) {
                $seen['channel'] = true;
            }
            if ($n->driftStart !== 0) {
                $seen['driftStart'] = true;
            }
            if ($n->driftLength !== 0) {
                $seen['driftLength'] = true;
            }
            if ($n->carryStart !== 0.0) {
                $seen['carryStart'] = true;
            }
            if ($n->carryLength !== 0.0) {
                $seen['carryLength'] = true;
            }
        }
        foreach (self::NOTE_DEFAULTS as $name => $default) {
            if (isset($seen[$name])) {
                $columns[$name] = [];
                foreach ($notes as $n) {
                    $columns[$name][] = $n->{$name};
                }
            }
        }

        return $columns;
    }

    /**
     * @param  array<string, list<mixed>>  $columns
     * @return array<int, Note>
     */
    public static function notes(array $columns): array
    {
        /** @var array<string, list<int>> $columns */
        $notes = [];
        $start = $columns['start'] ?? [];
        $length = $columns['length'] ?? [];
        $pitch = $columns['pitch'] ?? [];
        $velocity = $columns['velocity'] ?? [];
        $release = $columns['release'] ?? null;
        $muted = $columns['muted'] ?? null;
        $group = $columns['group'] ?? null;
        $channel = $columns['channel'] ?? null;
        $driftStart = $columns['driftStart'] ?? null;
        $driftLength = $columns['driftLength'] ?? null;
        $carryStart = $columns['carryStart'] ?? null;
        $carryLength = $columns['carryLength'] ?? null;
        foreach ($columns['id'] ?? [] as $i => $id) {
            $notes[$id] = new Note(
                $id, $start[$i], $length[$i], $pitch[$i], $velocity[$i],
                $release[$i] ?? Note::RELEASE, (bool) ($muted[$i] ?? false), $group[$i] ?? 0, $channel[$i] ?? 0,
                $driftStart[$i] ?? 0, $driftLength[$i] ?? 0, (float) ($carryStart[$i] ?? 0.0), (float) ($carryLength[$i] ?? 0.0),
            );
        }

        return $notes;
    }

    /**
     * @param  array<int, Point>  $points
     * @return array<string, list<int>>
     */
    public static function pointColumns(array $points): array
    {
        $columns = ['id' => [], 'tick' => [], 'status' => [], 'data1' => [], 'data2' => []];
        foreach ($points as $p) {
            $columns['id'][] = $p->id;
            $columns['tick'][] = $p->tick;
            $columns['status'][] = $p->status;
            $columns['data1'][] = $p->data1;
            $columns['data2'][] = $p->data2;
        }

        return $columns;
    }

    /**
     * @param  array<string, list<int>>  $columns
     * @return array<int, Point>
     */
    public static function points(array $columns): array
    {
        $points = [];
        foreach ($columns['id'] ?? [] as $i => $id) {
            $points[$id] = new Point($id, $columns['tick'][$i], $columns['status'][$i], $columns['data1'][$i], $columns['data2'][$i]);
        }

        return $points;
    }

    /**
     * A note as the interface gets it: id, start, length, pitch, velocity, muted (0 or 1), played start minus start,
     * played length minus length, group, channel.
     *
     * @param  iterable<Note>  $notes
     * @return list<list<int>>
     */
    public static function rows(iterable $notes): array
    {
        $rows = [];
        foreach ($notes as $n) {
            $rows[] = [$n->id, $n->start, $n->length, $n->pitch, $n->velocity, (int) $n->muted, $n->driftStart, $n->driftLength, $n->group, $n->channel];
        }

        return $rows;
    }
}

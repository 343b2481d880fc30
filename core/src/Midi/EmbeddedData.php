<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;

/**
 * What a file cannot say of notes with articulations or curves of their own, as a sequencer-specific event of their
 * track: which of its notes, keys and messages were made for them, and what the notes are; and in a phrase of the shelf
 * its muted notes. Other programs pass over it.
 *
 * @phpstan-type Embedded array{ppq: int, notes: list<array{int, int, int, int, int, int, int, int, string}>, keys: list<array{int, int, int}>, sent: list<array{int, int, int, int}>, voices: list<int>, muted?: list<array{int, int, int, int, int, int, string}>}
 */
final class EmbeddedData
{
    public const META = 0x7F;

    private const BODY = "\x7DJactonic notes ";

    /** @var list<array{int, int, int, int, int, int, int, int, string}> start, length, channel and pitch in the file; then length, velocity and channel as they are written, articulation and curves */
    private array $notes = [];

    /** @var list<array{int, int, int}> start, channel and pitch of keys that switch */
    private array $keys = [];

    /** @var list<array{int, int, int, int}> tick, status and data of what is sent for articulations */
    private array $sent = [];

    /** @var array<int, true> channels that single notes had */
    private array $voices = [];

    /** @var list<array{int, int, int, int, int, int, string}> start, length, channel, pitch, velocity, articulation and curves of notes that do not sound */
    private array $muted = [];

    public function muted(Note $note): void
    {
        $this->muted[] = [$note->start, $note->length, $note->channel, $note->pitch, $note->velocity, $note->articulation, $note->own];
    }

    public function note(Note $heard, Note $written, int $channel): void
    {
        $this->notes[] = [$heard->start, $heard->length, $channel, $heard->pitch, $written->length, $written->velocity, $written->channel, $written->articulation, $written->own];
        if ($written->own !== '') {
            $this->voices[$channel] = true;
        }
    }

    public function key(Note $key): void
    {
        $this->keys[] = [$key->start, $key->channel, $key->pitch];
    }

    public function sent(Point $point): void
    {
        $this->sent[] = [$point->tick, $point->status, $point->data1, $point->data2];
    }

    /** The body of the event; null where there is nothing to say. */
    public function body(int $ppq): ?string
    {
        if ($this->notes === [] && $this->keys === [] && $this->sent === [] && $this->muted === []) {
            return null;
        }

        return self::BODY.json_encode(['ppq' => $ppq, 'notes' => self::inOrder($this->notes), 'keys' => self::inOrder($this->keys), 'sent' => self::inOrder($this->sent), 'voices' => self::ascending(array_keys($this->voices))] + ($this->muted === [] ? [] : ['muted' => self::inOrder($this->muted)]), JSON_THROW_ON_ERROR);
    }

    /**
     * What an event says; null where it is another, or broken.
     *
     * @return Embedded|null
     */
    public static function read(string $body): ?array
    {
        $embedded = str_starts_with($body, self::BODY) ? json_decode(substr($body, strlen(self::BODY)), true) : null;
        if (! is_array($embedded) || ! is_int($embedded['ppq'] ?? null) || $embedded['ppq'] < 1) {
            return null;
        }
        foreach (['notes' => 9, 'keys' => 3, 'sent' => 4] as $list => $width) {
            foreach (is_array($embedded[$list] ?? null) ? $embedded[$list] : [null] as $row) {
                if (! is_array($row) || count($row) !== $width || array_filter(array_slice($row, 0, 8), static fn (mixed $v): bool => ! is_int($v)) !== [] || ($width === 9 && ! is_string($row[8] ?? null))) {
                    return null;
                }
            }
        }
        if (! is_array($embedded['voices'] ?? null)) {
            return null;
        }
        foreach (is_array($embedded['muted'] ?? []) ? $embedded['muted'] ?? [] : [null] as $row) {
            if (! is_array($row) || count($row) !== 7 || array_filter(array_slice($row, 0, 6), static fn (mixed $v): bool => ! is_int($v)) !== [] || ! is_string($row[6] ?? null)) {
                return null;
            }
        }

        /** @var Embedded $embedded */
        return $embedded;
    }

    /**
     * Makes the notes of a track what they were when it was saved. What is not found any more, since another program
     * changed it, stays as the file has it.
     *
     * @param  Embedded  $embedded
     * @param  array<int, array<int, Note>>  $notes  by channel and order
     * @param  array<int, list<Point>>  $points  by channel
     * @return array{array<int, array<int, Note>>, array<int, list<Point>>}
     */
    public static function apply(array $embedded, array $notes, array $points, int $ppq): array
    {
        $scale = $ppq / $embedded['ppq'];
        $tick = static fn (int $t): int => (int) round($t * $scale);
        $places = [];
        foreach ($notes as $channel => $some) {
            foreach ($some as $order => $note) {
                $places["$note->start $channel $note->pitch"][] = $order;
            }
        }
        foreach ($embedded['keys'] as [$start, $channel, $pitch]) {
            $order = isset($places[$key = $tick($start)." $channel $pitch"]) ? array_shift($places[$key]) : null;
            unset($notes[$channel][$order ?? -1]);
        }
        foreach ($embedded['notes'] as [$start, $length, $channel, $pitch, $written, $velocity, $own, $articulation, $curves]) {
            $order = isset($places[$key = $tick($start)." $channel $pitch"]) ? array_shift($places[$key]) : null;
            $note = $notes[$channel][$order ?? -1] ?? null;
            if ($order === null || $note === null) {
                continue;
            }
            try {
                $expression = Expression::read($curves, 'own')->stretched($scale);
            } catch (Refusal) {
                continue;
            }
            // Another program may have made it longer or louder since.
            $as = $note->length === $tick($length) ? ['length' => max(1, $tick($written)), 'velocity' => max(Note::SOFTEST, min(Note::LOUDEST, $velocity))] : [];
            unset($notes[$channel][$order]);
            $notes[$own & 0x0F][$order] = $note->with($as + ['channel' => $own & 0x0F, 'articulation' => max(0, min(255, $articulation)), 'own' => $expression->text()]);
        }
        $sent = [];
        foreach ($embedded['sent'] as [$at, $status, $data1, $data2]) {
            $sent[$tick($at)." $status $data1 $data2"] = true;
        }
        foreach ($points as $channel => $some) {
            // A channel that only single notes had is theirs no more.
            $points[$channel] = in_array($channel, $embedded['voices'], true) && ($notes[$channel] ?? []) === [] ? [] : array_values(array_filter($some, static fn (Point $p): bool => ! isset($sent["$p->tick $p->status $p->data1 $p->data2"])));
        }

        $id = max([0, ...array_merge(...array_map(array_keys(...), array_values($notes)))]);
        foreach ($embedded['muted'] ?? [] as [$start, $length, $channel, $pitch, $velocity, $articulation, $curves]) {
            try {
                $expression = Expression::read($curves, 'own')->stretched($scale);
            } catch (Refusal) {
                continue;
            }
            if ($start >= 0 && $pitch >= 0 && $pitch <= 127) {
                $notes[$channel & 0x0F][++$id] = new Note($id, $tick($start), max(1, $tick($length)), $pitch, max(Note::SOFTEST, min(Note::LOUDEST, $velocity)), muted: true, channel: $channel & 0x0F,
                    articulation: max(0, min(255, $articulation)), own: $expression->text());
            }
        }

        return [$notes, $points];
    }

    /**
     * By time, whichever parts they are of: what is read and written again says the same.
     *
     * @param  list<array<int, int|string>>  $rows
     * @return list<array<int, int|string>>
     */
    private static function inOrder(array $rows): array
    {
        usort($rows, static fn (array $a, array $b): int => array_slice($a, 0, 4) <=> array_slice($b, 0, 4));

        return $rows;
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private static function ascending(array $numbers): array
    {
        sort($numbers);

        return $numbers;
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Score\Point;
use Jactonic\Core\Score\Rows;
use Jactonic\Core\Score\Table;
use Jactonic\Core\Standard\Message;

/**
 * The notes of a file's track while its events are read, in columns of numbers, since there may be many. Each is known by
 * its order: that of its beginning among all events of the file.
 */
final class TrackNotes
{
    /** Notes without an end. */
    public int $unended = 0;

    /** Notes that were struck again before they ended. */
    public int $again = 0;

    /** Notes without a length. */
    public int $empty = 0;

    /** Ends that ended nothing. */
    public int $loose = 0;

    /** @var array<int, int> tick by order, as all of these */
    private array $starts = [];

    /** @var array<int, int> channel in the bits from the eighth on, pitch below */
    private array $keys = [];

    /** @var array<int, int> */
    private array $velocities = [];

    /** @var array<int, int> */
    private array $lengths = [];

    /** @var array<int, int> */
    private array $releases = [];

    /** @var array<int, int> tick of an end, by its own order */
    private array $ends = [];

    /** @var array<int, int> its release, likewise */
    private array $ended = [];

    /** @var array<int, NoteMatcher> by channel and pitch */
    private array $open = [];

    /** @param  int  $least  ticks of a note that its file ends as it begins */
    public function __construct(private readonly int $least)
    {
    }

    public function on(int $order, int $tick, int $channel, int $pitch, int $velocity): void
    {
        $key = $channel << 7 | $pitch;
        $this->starts[$order] = $tick;
        $this->keys[$order] = $key;
        $this->velocities[$order] = $velocity;
        ($this->open[$key] ??= new NoteMatcher)->on($order);
    }

    /** @param  int  $release  0 to 127, or that it is by a note-on of velocity 0 */
    public function off(int $order, int $tick, int $channel, int $pitch, int $release): void
    {
        $this->ends[$order] = $tick;
        $this->ended[$order] = $release;
        ($this->open[$channel << 7 | $pitch] ??= new NoteMatcher)->off($order);
    }

    /**
     * Gives each note its end, once all events were read.
     *
     * @param  int  $end  tick at which the track ends, and with it what has no other end
     * @return array<int, list<Point>> ends that ended nothing, by channel
     */
    public function close(int $end): array
    {
        // In the order of their beginnings, as the other columns are.
        $this->lengths = $this->releases = array_fill_keys(array_keys($this->starts), 0);
        $loose = [];
        foreach ($this->open as $key => $pairs) {
            foreach ($pairs->match() as $on => $off) {
                if ($off > 0) {
                    $this->end($on, $this->ends[$off], $this->ended[$off]);
                } elseif ($off < 0) {
                    $this->again++;
                    $this->end($on, $this->starts[-$off], Note::RELEASE_NONE);
                } else {
                    $this->unended++;
                    $this->end($on, $end, Note::RELEASE_NONE);
                }
            }
            foreach ($pairs->loose() as $order) {
                $this->loose++;
                $channel = $key >> 7;
                $release = $this->ended[$order];
                $loose[$channel][] = new Point($order, $this->ends[$order], $channel | ($release === Note::RELEASE_BY_NOTE_ON ? Message::NOTE_ON : Message::NOTE_OFF), $key & 0x7F, max(0, $release));
            }
        }

        return $loose;
    }

    /** @return list<int> the channels that have notes */
    public function channels(): array
    {
        return array_values(array_unique(array_map(static fn (int $key): int => $key >> 7, $this->keys)));
    }

    /**
     * The notes, their orders for ids.
     *
     * @param  int|null  $channel  only those of this one
     * @return Rows<Note>
     */
    public function rows(?int $channel = null): Rows
    {
        $keys = $channel === null ? $this->keys : array_filter($this->keys, static fn (int $key): bool => $key >> 7 === $channel);
        $some = static fn (array $column): array => array_values(count($column) === count($keys) ? $column : array_intersect_key($column, $keys));

        return Rows::made(Table::notes(), [
            'id' => array_keys($keys),
            'start' => $some($this->starts),
            'length' => $some($this->lengths),
            'pitch' => array_map(static fn (int $key): int => $key & 0x7F, array_values($keys)),
            'velocity' => $some($this->velocities),
            'release' => $some($this->releases),
            'channel' => array_map(static fn (int $key): int => $key >> 7, array_values($keys)),
        ]);
    }

    /** One that its file ends as it begins is shown as one tick. */
    private function end(int $order, int $end, int $release): void
    {
        $length = $end - $this->starts[$order];
        if ($length <= 0) {
            $this->empty++;
            $release = self::atOnce($release);
        }
        $this->lengths[$order] = $length > $this->least ? $length : $this->least;
        $this->releases[$order] = $release;
    }

    /** How an end at the tick of the beginning is kept. */
    private static function atOnce(int $release): int
    {
        return match (true) {
            $release === Note::RELEASE_NONE => $release,
            $release === Note::RELEASE_BY_NOTE_ON => Note::RELEASE_AT_ONCE,
            default => Note::RELEASE_AT_ONCE - 1 - $release,
        };
    }
}

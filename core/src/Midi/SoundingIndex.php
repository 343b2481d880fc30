<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Search;

/** When the pitches of a part sound: asked often, so looked up and not gone through. */
final class SoundingIndex
{
    /** @var array<int, list<int>> starts by channel and pitch, in order */
    private array $starts = [];

    /** @var array<int, list<int>> the latest end of those up to each */
    private array $ends = [];

    /**
     * @param  list<int>  $starts
     * @param  list<int>  $ends  of the same notes, in the same order
     * @param  list<int>  $keys  channel and pitch of each, as `key` writes them
     */
    public function __construct(array $starts, array $ends, array $keys)
    {
        // Most come in order.
        array_multisort($starts, SORT_NUMERIC, $ends, SORT_NUMERIC, $keys);
        $latest = [];
        foreach ($starts as $i => $start) {
            $key = $keys[$i];
            $this->starts[$key][] = $start;
            $this->ends[$key][] = $latest[$key] = max($ends[$i], $latest[$key] ?? 0);
        }
    }

    /** @param  list<Note>  $notes */
    public static function of(array $notes): self
    {
        return new self(array_map(static fn (Note $n): int => $n->start, $notes), array_map(static fn (Note $n): int => $n->end(), $notes), array_map(static fn (Note $n): int => self::key($n->channel, $n->pitch), $notes));
    }

    /** A channel and a pitch as one number. */
    public static function key(int $channel, int $pitch): int
    {
        return $channel << 7 | $pitch;
    }

    /** Whether a pitch sounds at a tick: has begun before and goes on. */
    public function at(int $channel, int $pitch, int $tick): bool
    {
        $key = self::key($channel, $pitch);
        $starts = $this->starts[$key] ?? [];
        if ($starts === [] || $starts[0] >= $tick) {
            return false;
        }

        return $this->ends[$key][Search::last($starts, $tick - 1)] > $tick;
    }

    /** Whether what ends a note that has no end of its own is there: its pitch struck again until then, or the end of its track. */
    public function endsWithout(int $start, int $end, int $key, int $trackEnd): bool
    {
        return $this->isWithin($start, $end, $key) || ($end >= $trackEnd && ! $this->isAgain($start, $key));
    }

    /** Whether the pitch is struck again while a note sounds, or as it ends. */
    private function isWithin(int $start, int $end, int $key): bool
    {
        $starts = $this->starts[$key];
        $last = Search::last($starts, $end);

        return $starts[$last] > $start || ($last > 0 && $starts[$last - 1] === $start);
    }

    /** Whether the pitch is struck again after a note began. */
    private function isAgain(int $start, int $key): bool
    {
        $starts = $this->starts[$key] ?? [];

        return $starts !== [] && $starts[count($starts) - 1] > $start;
    }
}

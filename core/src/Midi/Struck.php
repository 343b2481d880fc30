<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Search;

/** When the pitches of a part sound: asked often, so looked up and not gone through. */
final class Struck
{
    /** @var array<int, list<int>> starts by channel and pitch, in order */
    private array $starts = [];

    /** @var array<int, list<int>> the latest end of those up to each */
    private array $ends = [];

    /** @param  list<Note>  $notes */
    public function __construct(array $notes)
    {
        usort($notes, static fn (Note $a, Note $b): int => $a->start <=> $b->start);
        foreach ($notes as $note) {
            $key = $note->channel << 7 | $note->pitch;
            $before = $this->ends[$key] ?? [];
            $this->starts[$key][] = $note->start;
            $this->ends[$key][] = max($note->end(), $before === [] ? 0 : $before[count($before) - 1]);
        }
    }

    /** Whether a pitch sounds at a tick: has begun before and goes on. */
    public function at(int $channel, int $pitch, int $tick): bool
    {
        $key = $channel << 7 | $pitch;
        $starts = $this->starts[$key] ?? [];
        if ($starts === [] || $starts[0] >= $tick) {
            return false;
        }

        return $this->ends[$key][Search::last($starts, $tick - 1)] > $tick;
    }

    /** Whether the pitch is struck again while a note sounds, or as it ends. */
    public function within(Note $note): bool
    {
        $starts = $this->starts[$note->channel << 7 | $note->pitch];
        $last = Search::last($starts, $note->end());

        return $starts[$last] > $note->start || ($last > 0 && $starts[$last - 1] === $note->start);
    }

    /** Whether the pitch is struck again after a note began. */
    public function again(Note $note): bool
    {
        $starts = $this->starts[$note->channel << 7 | $note->pitch] ?? [];

        return $starts !== [] && $starts[count($starts) - 1] > $note->start;
    }
}

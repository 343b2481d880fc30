<?php

declare(strict_types=1);

namespace App\Demo;

use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Timeline;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A simulated person who plays what is written, with a feel of their own: how loosely, how far behind the beat, how
 * evenly. The same seed plays the same take.
 */
final class Player
{
    private readonly Randomizer $chance;

    /** @var list<Note> */
    private array $notes = [];

    /**
     * @param  float  $loose  spread of starts in milliseconds (one standard deviation)
     * @param  float  $behind  how late every note comes, in milliseconds
     * @param  int  $uneven  spread of velocities
     */
    public function __construct(
        private readonly Timeline $time,
        int $seed,
        private readonly float $loose,
        private readonly float $behind = 0.0,
        private readonly int $uneven = 5,
        private readonly int $channel = 0,
    ) {
        $this->chance = new Randomizer(new Mt19937($seed));
    }

    /**
     * Plays one note.
     *
     * @param  float  $tick  as written
     * @param  float  $length  ticks held, before the player's own unevenness
     * @param  float  $late  milliseconds later than the feel has it
     */
    public function play(float $tick, float $length, int $pitch, int $velocity, float $late = 0.0): void
    {
        $start = max(0, (int) round($this->time->tempos->shift($tick, $this->behind + $late + $this->spread($this->loose))));
        $held = max(20, (int) round($length * (1 + $this->spread(0.04))));
        $loud = max(1, min(127, $velocity + (int) round($this->spread((float) $this->uneven))));
        $this->notes[] = new Note(count($this->notes) + 1, $start, $held, $pitch, $loud, channel: $this->channel);
    }

    /**
     * Plays a chord, strummed from below.
     *
     * @param  list<int>  $pitches
     * @param  float  $strum  milliseconds from one string to the next
     */
    public function chord(float $tick, float $length, array $pitches, int $velocity, float $strum = 0.0): void
    {
        foreach ($pitches as $i => $pitch) {
            $this->play($tick, $length, $pitch, $velocity, $i * $strum);
        }
    }

    /**
     * The take up to here, and a clean slate.
     *
     * @return list<Note>
     */
    public function take(): array
    {
        [$take, $this->notes] = [$this->notes, []];

        return $take;
    }

    /** A draw from a bell shape, cut at two and a half deviations. */
    private function spread(float $deviation): float
    {
        $sum = 0.0;
        for ($i = 0; $i < 12; $i++) {
            $sum += $this->chance->getInt(0, 1_000_000) / 1_000_000;
        }

        return max(-2.5, min(2.5, $sum - 6)) * $deviation;
    }
}

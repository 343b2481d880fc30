<?php

declare(strict_types=1);

namespace Jactonic\Core\Recording;

use Jactonic\Core\Chance;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Timeline;

/**
 * A short passage that the simulated player plays where no keyboard is plugged in: notes and pedal in quarters from its
 * start. It is played into the same path as a device, so that recording can be tried with nothing at hand.
 */
final readonly class Passage
{
    /** The most times over that it is played. */
    private const MOST_TIMES = 64;

    /**
     * @param  float  $quarters  its length
     * @param  list<array{float, float, int, int}>  $notes  start and length in quarters, pitch, velocity
     * @param  list<array{float, int}>  $pedal  quarter, and 127 for down or 0 for up
     */
    private function __construct(public string $id, public string $name, public float $quarters, private array $notes, private array $pedal = [])
    {
    }

    /** @return list<self> those that ship */
    public static function all(): array
    {
        $bell = [[0, 0.9, 74, 82], [1, 0.4, 77, 74], [1.5, 0.4, 76, 70], [2, 1.4, 72, 88], [3.5, 0.4, 69, 66],
            [4, 0.9, 70, 84], [5, 0.4, 74, 72], [5.5, 0.4, 72, 70], [6, 1.8, 69, 80]];
        $engine = [];
        foreach ([38, 38, 45, 38, 41, 41, 48, 41, 34, 34, 41, 34, 36, 36, 43, 36] as $i => $pitch) {
            $engine[] = [$i / 2, 0.35, $pitch, $i % 4 === 0 ? 98 : 78 + 4 * ($i % 3)];
        }
        $wake = [];
        foreach ([[0, [62, 65, 69]], [2, [58, 62, 65]], [4, [60, 64, 67]], [6, [57, 60, 64]]] as [$at, $chord]) {
            foreach ($chord as $i => $pitch) {
                $wake[] = [$at, 1.7, $pitch, 70 + 6 * $i];
            }
        }
        $lights = [];
        for ($i = 0; $i < 24; $i++) {
            $lights[] = [$i / 3, 0.28, [62, 65, 69, 74, 69, 65][$i % 6] - ($i >= 12 ? 2 : 0), $i % 3 === 0 ? 86 : 64];
        }
        $brushes = [];
        for ($i = 0; $i < 16; $i++) {
            $brushes[] = [$i / 2, 0.2, 42, $i % 2 === 0 ? 76 : 54];
            if ($i % 8 === 0 || $i === 5) {
                $brushes[] = [$i / 2, 0.2, 36, 92];
            }
            if ($i % 4 === 2) {
                $brushes[] = [$i / 2, 0.2, 38, 88];
            }
        }

        return [
            new self('bell', 'Harbour bell', 8, self::floats($bell)),
            new self('engine', 'Engine room', 8, self::floats($engine)),
            new self('wake', 'Wake, with pedal', 8, self::floats($wake), [[0.0, 127], [1.9, 0], [2.1, 127], [3.9, 0], [4.1, 127], [5.9, 0], [6.1, 127], [7.9, 0]]),
            new self('lights', 'Deck lights', 8, self::floats($lights)),
            new self('brushes', 'Brushes', 8, self::floats($brushes)),
        ];
    }

    /** @throws Refusal when there is no such passage */
    public static function find(mixed $id): self
    {
        foreach (self::all() as $passage) {
            if ($passage->id === $id) {
                return $passage;
            }
        }
        throw Refusal::parameter('passage', $id, 'one of '.implode(', ', array_column(self::all(), 'id')));
    }

    /**
     * What a person plays of it, from a tick of the song on.
     *
     * @param  float  $loose  ms, 0 to 100: a bell shape of half that spread, cut there
     * @param  float|null  $tempo  quarters a minute of the player's own; null to follow the song
     * @param  int  $times  how many times over
     * @return list<Event> seconds from that tick, in order of their beginnings
     *
     * @throws Refusal
     */
    public function played(Timeline $time, int $from, int $seed, float $loose, ?float $tempo, int $times): array
    {
        foreach (['loose' => [$loose, 0, 100], 'tempo' => [$tempo ?? 120, 20, 400], 'times' => [$times, 1, self::MOST_TIMES]] as $name => [$value, $min, $max]) {
            if ($value < $min || $value > $max) {
                throw Refusal::parameter($name, $value, "a number from $min to $max");
            }
        }
        $chance = new Chance($seed);
        $origin = $time->tempos->seconds($from);
        $at = static fn (float $quarter): float => $tempo === null ? $time->tempos->seconds($from + $quarter * $time->ppq) - $origin : $quarter * 60 / $tempo;
        $events = [];
        for ($i = 0; $i < $times; $i++) {
            foreach ($this->notes as [$start, $length, $pitch, $velocity]) {
                $off = $chance->bell(0, $loose, -$loose, $loose) / 1e3;
                $hard = (int) round($chance->bell($velocity, 6 * min(1, $loose), 1, Note::LOUDEST));
                $on = max(0.0, $at($i * $this->quarters + $start) + $off);
                $events[] = Event::note($on, max($on + 0.02, $at($i * $this->quarters + $start + $length) + $off), $pitch, $hard);
            }
            foreach ($this->pedal as [$quarter, $value]) {
                $events[] = Event::controller($at($i * $this->quarters + $quarter), 64, $value);
            }
        }
        usort($events, static fn (Event $a, Event $b): int => $a->on <=> $b->on);

        return $events;
    }

    /**
     * @param  list<array{int|float, int|float, int, int}>  $notes
     * @return list<array{float, float, int, int}>
     */
    private static function floats(array $notes): array
    {
        return array_map(static fn (array $n): array => [(float) $n[0], (float) $n[1], $n[2], $n[3]], $notes);
    }
}

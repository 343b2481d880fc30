<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/** What a track is played with: its channel, and the program that stands first on it. */
final readonly class Sound
{
    /** How loud a track is, and where it stands: the controller, and what holds without one. */
    public const LEVELS = ['volume' => [7, 100], 'pan' => [10, 64]];

    /**
     * @param  int  $channel  0 to 15
     * @param  Point|null  $program  the first program change of the track's channel; null where there is none
     */
    private function __construct(public int $channel, public ?Part $part, public ?Point $program)
    {
    }

    /** That of a track; null where it has no part with anything in it. */
    public static function of(Score $score, int $track): ?self
    {
        $first = null;
        foreach ($score->partsOf($track) as $part) {
            if ($part->notes->isEmpty() && $part->points->isEmpty()) {
                continue;
            }
            $first ??= new self($part->channel(), $part, null);
            foreach ($part->points->all() as $point) {
                if (($point->status & 0xF0) === Message::PROGRAM) {
                    return new self($point->status & 0x0F, $part, $point);
                }
            }
        }

        return $first;
    }

    public function isDrums(): bool
    {
        return $this->channel === GeneralMidi::DRUM_CHANNEL;
    }

    /**
     * The part that has the first point of a controller, up to the track's first note; the first part where none has.
     *
     * @param  non-empty-array<int, Part>  $parts  in order of time
     * @return array{Part, Point|null}
     */
    public static function controller(array $parts, int $number): array
    {
        $starts = array_merge(...array_values(array_map(static fn (Part $p): array => $p->notes->column('start'), $parts)));
        $until = $starts === [] ? PHP_INT_MAX : min($starts);
        $found = null;
        foreach ($parts as $part) {
            foreach ($part->points->all() as $point) {
                // The last of them is what holds where the music begins.
                if (($point->status & 0xF0) === Message::CONTROLLER && $point->data1 === $number && $point->tick <= $until && ($found === null || $point->tick >= $found[1]->tick)) {
                    $found = [$part, $point];
                }
            }
        }

        return $found ?? [reset($parts), null];
    }

    /** As people call it. */
    public function name(): string
    {
        $program = $this->program->data1 ?? 0;

        return $this->isDrums() ? GeneralMidi::KITS[$program] ?? 'Drum kit' : GeneralMidi::PROGRAMS[$program];
    }

    /**
     * The channels that tracks other than one play on.
     *
     * @return list<int>
     */
    public static function taken(Score $score, ?int $besides = null): array
    {
        $taken = [];
        foreach ($score->parts as $part) {
            if ($part->head->track !== $besides && (! $part->notes->isEmpty() || ! $part->points->isEmpty())) {
                $taken[$part->channel()] = true;
            }
        }

        return array_keys($taken);
    }

    /**
     * A channel that no other track plays on, the drums' aside; null where all are taken.
     *
     * @param  list<int>  $taken
     */
    public static function free(array $taken): ?int
    {
        return array_values(array_diff(range(0, 15), [GeneralMidi::DRUM_CHANNEL], $taken))[0] ?? null;
    }
}

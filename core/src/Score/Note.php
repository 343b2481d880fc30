<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * One note. Immutable; the `with…` methods give changed copies.
 *
 * Drift is where the note was played, seen from where it stands: played start and length minus the present ones, in
 * ticks. The carry is the fraction of a tick, −0.5 to 0.5, by which the exact place of a note nudged in small steps
 * differs from the whole tick it is written at.
 */
final readonly class Note
{
    public const LOWEST = 0;

    public const HIGHEST = 127;

    public const SOFTEST = 1;

    public const LOUDEST = 127;

    /** Release velocity of a note that nobody released. */
    public const RELEASE = 64;

    /** Stands for an end written as a note-on of velocity 0, so that a file is written back as it was. */
    public const RELEASE_BY_NOTE_ON = -1;

    /**
     * @param  int  $id  unique in its part, 1 or more
     * @param  int  $start  tick, 0 or more
     * @param  int  $length  ticks, 1 or more
     * @param  int  $pitch  0–127, 60 is C4
     * @param  int  $velocity  1–127
     * @param  int  $release  release velocity 0–127, or RELEASE_BY_NOTE_ON
     * @param  int  $group  0 for none; notes of one number belong together
     * @param  int  $channel  0–15, as the file had it
     */
    public function __construct(
        public int $id,
        public int $start,
        public int $length,
        public int $pitch,
        public int $velocity,
        public int $release = self::RELEASE,
        public bool $muted = false,
        public int $group = 0,
        public int $channel = 0,
        public int $driftStart = 0,
        public int $driftLength = 0,
        public float $carryStart = 0.0,
        public float $carryLength = 0.0,
    ) {
    }

    public function end(): int
    {
        return $this->start + $this->length;
    }

    public function playedStart(): int
    {
        return $this->start + $this->driftStart;
    }

    public function playedLength(): int
    {
        return $this->length + $this->driftLength;
    }

    /** Moved to an exact place; the drift travels along, the fraction is carried. */
    public function movedTo(float $exact): self
    {
        [$start, $carry] = self::split($exact);

        return new self($this->id, $start, $this->length, $this->pitch, $this->velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->driftStart, $this->driftLength, $carry, $this->carryLength);
    }

    /** Retimed: what the note loses in feel is added to its drift, so that it can go back to where it was played. */
    public function retimed(int $start, int $length): self
    {
        return new self($this->id, $start, $length, $this->pitch, $this->velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->playedStart() - $start, $this->playedLength() - $length);
    }

    /** Its edges put at exact places: as `retimed`, with the fractions carried. */
    public function resizedTo(float $start, float $length): self
    {
        [$s, $carryStart] = self::split($start);
        [$l, $carryLength] = self::split($length);

        return new self($this->id, $s, $l, $this->pitch, $this->velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->playedStart() - $s, $this->playedLength() - $l, $carryStart, $carryLength);
    }

    /** The same note once more, with an id of its own. */
    public function copiedAs(int $id): self
    {
        return new self($id, $this->start, $this->length, $this->pitch, $this->velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->driftStart, $this->driftLength, $this->carryStart, $this->carryLength);
    }

    public function withPitch(int $pitch): self
    {
        return new self($this->id, $this->start, $this->length, $pitch, $this->velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->driftStart, $this->driftLength, $this->carryStart, $this->carryLength);
    }

    public function withVelocity(int $velocity): self
    {
        return new self($this->id, $this->start, $this->length, $this->pitch, $velocity, $this->release, $this->muted,
            $this->group, $this->channel, $this->driftStart, $this->driftLength, $this->carryStart, $this->carryLength);
    }

    public function withMuted(bool $muted): self
    {
        return new self($this->id, $this->start, $this->length, $this->pitch, $this->velocity, $this->release, $muted,
            $this->group, $this->channel, $this->driftStart, $this->driftLength, $this->carryStart, $this->carryLength);
    }

    /** The whole tick nearest to an exact place (a tie goes later) and the fraction left over. */
    public static function whole(float $exact): int
    {
        // Sums of floats may fall a hair short of a tie that exact arithmetic would reach.
        return (int) floor($exact + 0.5 + 1e-7);
    }

    /** @return array{int, float} */
    private static function split(float $exact): array
    {
        $whole = self::whole($exact);
        $carry = $exact - $whole;

        return [$whole, abs($carry) < 1e-7 ? 0.0 : $carry];
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * One note. Immutable; the `with…` methods give changed copies.
 *
 * Drift is where the note was played, seen from where it stands: played start and length minus the present ones, in
 * ticks. The carry is the fraction of a tick, −0.5 to 0.5, by which the exact place of a note nudged in small steps
 * differs from the whole tick it is written at. What a velocity was pushed past 1 or 127 is carried likewise, so that
 * pushed back it is what it was.
 *
 * The language cannot give a changed copy of what is readonly without naming every column; the static analysis holds
 * that nobody else writes to them.
 */
final class Note
{
    public const LOWEST = 0;

    public const HIGHEST = 127;

    public const SOFTEST = 1;

    public const LOUDEST = 127;

    /** Release velocity of a note that nobody released. */
    public const RELEASE = 64;

    /** Stands for an end written as a note-on of velocity 0, so that a file is written back as it was. */
    public const RELEASE_BY_NOTE_ON = -1;

    /** Its file has no end for it: it sounds to the next of its pitch, or to the end of its track. */
    public const RELEASE_NONE = -2;

    /** Its file ends it at the tick at which it begins, by a note-on of velocity 0; below it, by a note-off of a velocity. */
    public const RELEASE_AT_ONCE = -3;

    /**
     * @param  int  $id  unique in its part, 1 or more
     * @param  int  $start  tick, 0 or more
     * @param  int  $length  ticks, 1 or more
     * @param  int  $pitch  0–127, 60 is C4
     * @param  int  $velocity  1–127
     * @param  int  $release  release velocity 0–127, or one of the constants: how its file ends it
     * @param  int  $group  0 for none; notes of one number belong together
     * @param  int  $channel  0–15, as the file had it
     * @param  int  $articulation  which of its track's set, from 1; 0 for the first
     * @param  string  $own  its curves, as `Expression` writes them; empty for none
     * @param  int  $carryVelocity  by how much it was pushed past the loudest, or below 0 past the softest
     */
    public function __construct(
        /** @phpstan-readonly-allow-private-mutation */
        public int $id,
        /** @phpstan-readonly-allow-private-mutation */
        public int $start,
        /** @phpstan-readonly-allow-private-mutation */
        public int $length,
        /** @phpstan-readonly-allow-private-mutation */
        public int $pitch,
        /** @phpstan-readonly-allow-private-mutation */
        public int $velocity,
        /** @phpstan-readonly-allow-private-mutation */
        public int $release = self::RELEASE,
        /** @phpstan-readonly-allow-private-mutation */
        public bool $muted = false,
        /** @phpstan-readonly-allow-private-mutation */
        public int $group = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public int $channel = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public int $driftStart = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public int $driftLength = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public float $carryStart = 0.0,
        /** @phpstan-readonly-allow-private-mutation */
        public float $carryLength = 0.0,
        /** @phpstan-readonly-allow-private-mutation */
        public int $carryVelocity = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public int $articulation = 0,
        /** @phpstan-readonly-allow-private-mutation */
        public string $own = '',
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
        $note = $this->edited();
        [$note->start, $note->carryStart] = self::split($exact);

        return $note;
    }

    /** Retimed: what the note loses in feel is added to its drift, so that it can go back to where it was played. */
    public function retimed(int $start, int $length): self
    {
        $note = $this->edited();
        $note->driftStart += $this->start - $start;
        $note->driftLength += $this->length - $length;
        $note->start = $start;
        $note->length = $length;
        $note->carryStart = $note->carryLength = 0.0;

        return $note;
    }

    /** Put elsewhere in a phrase that gets slower or faster: how it was played goes along by the same factor. */
    public function stretched(float $start, float $length, float $factor): self
    {
        $note = $this->edited();
        [$note->start, $note->carryStart] = self::split($start);
        [$note->length, $note->carryLength] = self::split($length);
        $note->driftStart = self::whole($this->driftStart * $factor);
        $note->driftLength = self::whole($this->driftLength * $factor);
        $note->own = $this->own === '' ? '' : Expression::of($this->own)->stretched($factor)->text();

        return $note;
    }

    /**
     * A stretch of it as a note: an edge that is its own keeps how it was played; one that was cut was played nowhere
     * else.
     *
     * @param  int  $from  tick, not before its start
     * @param  int  $to  tick after $from, not after its end
     */
    public function piece(int $from, int $to, int $id): self
    {
        $first = $from === $this->start;
        $last = $to === $this->end();
        $note = $this->edited();
        $note->id = $id;
        $note->start = $from;
        $note->length = $to - $from;
        $note->release = $last ? $note->release : self::RELEASE;
        $note->driftStart = $first ? $this->driftStart : 0;
        $note->driftLength = $first && $last ? $this->driftLength : 0;
        $note->carryStart = $first ? $this->carryStart : 0.0;
        $note->carryLength = $last ? $this->carryLength : 0.0;
        $note->own = $first || $this->own === '' ? $this->own : Expression::of($this->own)->from($from - $this->start)->text();

        return $note;
    }

    /** The same note once more, with an id of its own. */
    public function copiedAs(int $id): self
    {
        $note = clone $this;
        $note->id = $id;

        return $note;
    }

    public function withPitch(int $pitch): self
    {
        $note = $this->edited();
        $note->pitch = $pitch;

        return $note;
    }

    /** With a velocity that is given outright: nothing is carried any more. */
    public function withVelocity(int $velocity): self
    {
        $note = $this->edited();
        $note->velocity = $velocity;
        $note->carryVelocity = 0;

        return $note;
    }

    public function withMuted(bool $muted): self
    {
        $note = $this->edited();
        $note->muted = $muted;

        return $note;
    }

    /**
     * With some columns otherwise, by name.
     *
     * @param  array<string, mixed>  $columns
     */
    public function with(array $columns): self
    {
        $note = $this->exactly($columns);
        $note->release = self::ended($note->release);

        return $note;
    }

    /**
     * The same, but for these columns: as a step of the history has them, also the end that its file gave it.
     *
     * @param  array<string, mixed>  $columns
     */
    public function exactly(array $columns): self
    {
        $note = clone $this;
        foreach ($columns as $name => $value) {
            $note->{$name} = $value;
        }

        return $note;
    }

    /** A copy to be changed: one whose file had no proper end for it gets one by that. */
    private function edited(): self
    {
        $note = clone $this;
        $note->release = self::ended($note->release);

        return $note;
    }

    /** The release that a note has when it is edited. */
    public static function ended(int $release): int
    {
        return $release < self::RELEASE_BY_NOTE_ON ? self::RELEASE : $release;
    }

    /**
     * Notes out of a list for each property, many times as fast as by the constructor; those that are left out are the
     * default throughout.
     *
     * @param  array<string, list<mixed>>  $columns
     * @return list<self>
     */
    public static function many(array $columns): array
    {
        $first = new self(0, 0, 1, self::LOWEST, self::SOFTEST);
        $notes = [];
        foreach ($columns['id'] as $i => $_) {
            $notes[$i] = clone $first;
        }
        foreach ($columns as $name => $values) {
            foreach ($values as $i => $value) {
                $notes[$i]->{$name} = $value;
            }
        }

        return array_values($notes);
    }

    /** The whole tick nearest to an exact place (a tie goes later) and the fraction left over. */
    public static function whole(float $exact): int
    {
        // Sums of floats may fall a hair short of a tie that exact arithmetic would reach.
        return (int) floor($exact + 0.5 + 1e-7);
    }

    /** @return array{int, float} the whole tick nearest to an exact place, and the fraction left over */
    public static function split(float $exact): array
    {
        $whole = self::whole($exact);
        $carry = $exact - $whole;

        return [$whole, abs($carry) < 1e-7 ? 0.0 : $carry];
    }
}

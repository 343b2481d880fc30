<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

/**
 * What a part plays as: its notes stay as they are, and what is heard and saved follows. Drums keep their pitches, since
 * each of theirs is another instrument.
 */
final readonly class PlaysAs
{
    public const TRANSPOSE = 48;

    public const SOFTEST = 1;

    public const LOUDEST = 200;

    public const DELAY = 500;

    /**
     * @param  int  $transpose  semitones, −48 to 48
     * @param  int  $velocity  percent, 1 to 200
     * @param  int  $delay  milliseconds, −500 to 500
     * @param  int  $until  tick of the song up to which the window goes round; 0 where it does not
     */
    public function __construct(public int $transpose = 0, public int $velocity = 100, public int $delay = 0, public int $until = 0)
    {
    }

    public static function plain(): self
    {
        static $plain = new self;

        /** @var self */
        return $plain;
    }

    public function isPlain(): bool
    {
        return $this->transpose === 0 && $this->velocity === 100 && $this->delay === 0 && $this->until === 0;
    }

    public function moved(int $ticks): self
    {
        return $this->until === 0 || $ticks === 0 ? $this : $this->goingTo($this->until + $ticks);
    }

    public function goingTo(int $until): self
    {
        return new self($this->transpose, $this->velocity, $this->delay, $until);
    }

    /** What is heard of it: "an octave lower, at 80 % velocity, 20 ms later"; empty where it plays what is written. The loop is seen. */
    public function words(): string
    {
        $semitones = abs($this->transpose);

        return implode(', ', array_filter([
            $semitones === 0 ? '' : ([1 => 'a semitone', 12 => 'an octave'][$semitones] ?? "$semitones semitones").($this->transpose < 0 ? ' lower' : ' higher'),
            $this->velocity === 100 ? '' : "at $this->velocity % velocity",
            $this->delay === 0 ? '' : abs($this->delay).' ms '.($this->delay < 0 ? 'earlier' : 'later'),
        ], static fn (string $w): bool => $w !== ''));
    }

    /** @return array{int, int, int, int} what `fromArray` reads back */
    public function toArray(): array
    {
        return [$this->transpose, $this->velocity, $this->delay, $this->until];
    }

    /** @param  array{int, int, int, int}  $data */
    public static function fromArray(array $data): self
    {
        return new self(...$data);
    }
}

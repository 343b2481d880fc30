<?php

declare(strict_types=1);

namespace Jactonic\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;

/** Chance out of a seed: the same seed gives the same numbers, on every machine. */
final class Chance
{
    private const FINE = 1 << 30;

    /** Draws until the bell is cut flat: a centre far outside the range would be drawn for ever. */
    private const TRIES = 64;

    private readonly Randomizer $random;

    public function __construct(int $seed)
    {
        $this->random = new Randomizer(new Mt19937($seed));
    }

    /**
     * A number of a bell shape about a centre, cut at both ends of a range; its spread is half of `reach`.
     *
     * @param  float  $least  not above $most
     */
    public function bell(float $centre, float $reach, float $least, float $most): float
    {
        if ($least >= $most) {
            return $least;
        }
        for ($i = 0; $i < self::TRIES; $i++) {
            $u = $this->random->getInt(1, self::FINE) / self::FINE;
            $v = $this->random->getInt(1, self::FINE) / self::FINE;
            $x = $centre + $reach / 2 * sqrt(-2 * log($u)) * cos(2 * M_PI * $v);
            if ($x >= $least && $x <= $most) {
                return $x;
            }
        }

        return max($least, min($most, $centre));
    }
}

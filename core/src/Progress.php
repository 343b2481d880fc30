<?php

declare(strict_types=1);

namespace Jactonic\Core;

use Closure;

/**
 * Who looks on while something long is done: told now and then how far it is, and able to stop it by throwing. All that
 * goes over many notes calls `step`, or `steps` for many at once; it costs nothing where nobody looks on.
 */
final class Progress
{
    /** Every how many steps whoever looks on is told. */
    private const EVERY = 256;

    /** @var (Closure(int): void)|null */
    private static ?Closure $look = null;

    private static int $steps = 0;

    /**
     * @template T
     *
     * @param  Closure(int): void  $look  gets how many steps were done so far
     * @param  Closure(): T  $work
     * @return T
     */
    public static function over(Closure $look, Closure $work): mixed
    {
        [self::$look, self::$steps] = [$look, 0];
        try {
            return $work();
        } finally {
            self::$look = null;
        }
    }

    /** One note or point more. */
    public static function step(): void
    {
        if (self::$look !== null && ++self::$steps % self::EVERY === 0) {
            (self::$look)(self::$steps);
        }
    }

    /** So many notes or points at once. */
    public static function steps(int $count): void
    {
        if (self::$look !== null) {
            self::$steps += $count;
            (self::$look)(self::$steps);
        }
    }

    /** Between two stretches of work, whatever their length. */
    public static function look(): void
    {
        if (self::$look !== null) {
            (self::$look)(self::$steps);
        }
    }
}

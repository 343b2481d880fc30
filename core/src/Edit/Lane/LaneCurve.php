<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit\Lane;

use Jactonic\Core\Change\ChangeBuilder;
use Jactonic\Core\Edit\EditInput;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\Part;

/**
 * Points of a lane that show a curve, as few as do it: one wherever the value that the lane can hold becomes another. They
 * replace what lies in their stretch; what held before it and after it is kept.
 */
final class LaneCurve
{
    /** Seconds between two looks at the curve, where nothing else is asked for: finer than is heard. */
    public const EVERY = 0.01;

    private const MOST = 20_000;

    /** A bend has more values than are told apart: it goes by steps of so much. */
    private const BEND_STEP = 32;

    /**
     * Draws a curve in a lane of a part.
     *
     * @param  \Closure(float): float  $value  from the share of the stretch, 0 to 1, to 127ths of the lane's range
     * @param  int  $every  the fewest ticks between two points; with 1 no tick is farther off than half of what is told apart
     * @return int how many points it took
     *
     * @throws Refusal for a stretch of no length
     */
    public static function draw(ChangeBuilder $builder, EditInput $input, Part $part, Lane $lane, int $from, int $to, \Closure $value, int $every): int
    {
        if ($to <= $from) {
            throw Refusal::parameter('to', $to, 'a place after from');
        }
        $isExact = $every === 1;
        $every = max($isExact ? self::every($input, $from) : $every, intdiv($to - $from, self::MOST) + 1);
        $channel = $input->score->channelOf($part);
        [$least, $most] = $lane->range();
        $step = $least < 0 ? self::BEND_STEP : 1;
        $held = self::heldAt($part, $lane, $channel, $to);
        self::clear($builder, $part, $lane, $channel, $from, $to);
        $last = null;
        $count = 0;
        $put = static function (int $tick, int $at) use (&$last, &$count, $builder, $part, $lane, $channel): void {
            if ($at !== $last) {
                $builder->putPoint($part, $lane->point($builder->newPointId($part), $tick, $channel, $at));
                $last = $at;
                $count++;
            }
        };
        $at = static fn (int $tick): int => (int) max($least, min($most, round(($least + $value(($tick - $from) / ($to - $from)) * ($most - $least) / 127) / $step) * $step));
        for ($tick = $from; $tick < $to; $tick += $every) {
            foreach ($isExact && $tick > $from ? self::changes($at, $tick - $every, $tick) : [$tick => $at($tick)] as $where => $is) {
                $put($where, $is);
            }
        }
        foreach ($isExact ? self::changes($at, $tick - $every, $to - 1) : [] as $where => $is) {
            $put($where, $is);
        }
        if ($held !== null) {
            if (! self::standsAt($part, $lane, $channel, $to)) {
                $put($to, $held);
            }
        } else {
            $put($to, (int) max($least, min($most, round($least + $value(1.0) * ($most - $least) / 127))));
        }

        return $count;
    }

    /**
     * Where a value that only rises or only falls from one tick to a later one becomes another.
     *
     * @param  \Closure(int): int  $at  the value at a tick
     * @return array<int, int> values by the first tick that has each, in order
     */
    public static function changes(\Closure $at, int $from, int $to): array
    {
        $changes = [];
        $last = $at($to);
        for ($value = $at($from); $value !== $last && $from < $to;) {
            // The first tick with another value lies above `from`, at `after` or before it.
            for ($after = $to; $after - $from > 1;) {
                $middle = intdiv($from + $after, 2);
                if ($at($middle) === $value) {
                    $from = $middle;
                } else {
                    $after = $middle;
                }
            }
            [$from, $value] = [$after, $at($after)];
            $changes[$from] = $value;
        }

        return $changes;
    }

    /**
     * Puts a point at the end of a stretch that was cleared, where something else held there: so what comes after it sounds
     * as it did.
     */
    public static function restore(ChangeBuilder $builder, Part $part, Lane $lane, int $channel, int $from, int $to): void
    {
        $held = self::heldAt($part, $lane, $channel, $to);
        if ($held !== null && $to < $part->head->to && ! self::standsAt($part, $lane, $channel, $to) && self::heldAt($part, $lane, $channel, $from - 1) !== $held) {
            $builder->putPoint($part, $lane->point($builder->newPointId($part), $to, $channel, $held));
        }
    }

    /** Takes what lies in a stretch of a lane away, up to the tick before its end. */
    public static function clear(ChangeBuilder $builder, Part $part, Lane $lane, int $channel, int $from, int $to): int
    {
        $count = 0;
        foreach ($part->points->all() as $point) {
            if ($lane->holds($point) && ($point->status & 0x0F) === $channel && $point->tick >= $from && $point->tick < $to) {
                $builder->dropPoint($part, $point);
                $count++;
            }
        }

        return $count;
    }

    /** The value that a lane holds at a tick, a point there included; null where it holds none. */
    public static function heldAt(Part $part, Lane $lane, int $channel, int $tick): ?int
    {
        $last = null;
        foreach ($part->points->all() as $point) {
            if ($lane->holds($point) && ($point->status & 0x0F) === $channel && $point->tick <= $tick && ($last === null || $point->tick >= $last->tick)) {
                $last = $point;
            }
        }

        return $last === null ? null : $lane->value($last);
    }

    /** Whether a point of a lane stands at a tick. */
    public static function standsAt(Part $part, Lane $lane, int $channel, int $tick): bool
    {
        foreach ($part->points->all() as $point) {
            if ($point->tick === $tick && $lane->holds($point) && ($point->status & 0x0F) === $channel) {
                return true;
            }
        }

        return false;
    }

    /** A bend of a straight way, −100 early to 100 late: a power from one to four, early the mirror of late. */
    public static function bent(float $x, int $curve): float
    {
        $power = 4 ** (abs($curve) / 100);

        return $curve < 0 ? 1 - (1 - $x) ** $power : $x ** $power;
    }

    /** How many ticks lie between two looks at a place. */
    public static function every(EditInput $input, int $at): int
    {
        return max(1, (int) round($input->time()->tempos->shift($at, self::EVERY * 1000) - $at));
    }
}

<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Recording\Event;
use Jactonic\Core\Refusal;

/** Two moments or more in seconds, each after the one before. */
final class Times extends Plain
{
    private const MOST = 64;

    /** @return list<float> */
    public function read(mixed $value, string $name): array
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) < 2 || count($value) > self::MOST) {
            throw Refusal::parameter($name, $value, $this->allowed());
        }
        $last = -INF;
        $read = [];
        foreach ($value as $time) {
            if ((! is_int($time) && ! is_float($time)) || $time <= $last || abs($time) > Event::LATEST) {
                throw Refusal::parameter($name, $value, $this->allowed());
            }
            $read[] = $last = (float) $time;
        }

        return $read;
    }

    public function allowed(): string
    {
        return 'a list of 2 to '.self::MOST.' moments in seconds, each after the one before';
    }

    public function field(): string
    {
        return 'times';
    }

    public function isAskable(): bool
    {
        return false;
    }
}

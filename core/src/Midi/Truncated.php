<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

/** The bytes of a track ended inside an event. Whether that is a fault depends on why; the reader decides. */
final class Truncated extends \RuntimeException
{
    public function __construct(public readonly int $byte)
    {
        parent::__construct("cut off at byte $byte");
    }
}

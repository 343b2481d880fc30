<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Refusal;

/** A file that cannot be read as a Standard MIDI File. The sentence names the byte where it broke, counted from 0. */
final class MidiError extends Refusal
{
    public static function at(int $byte, string $why): self
    {
        return new self(sprintf('This file cannot be read: %s (at byte %d). Nothing was imported.', $why, $byte));
    }
}

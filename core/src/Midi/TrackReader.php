<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Standard\Message;
use Jactonic\Core\Time\Timeline;

/** Reads the events of one track: running status, meta and system exclusive events, up to its end. */
final class TrackReader
{
    private int $tick = 0;

    /** The status that holds for data without one; 0 where none does. */
    private int $running = 0;

    /** The status that was running before an event ended it. */
    private int $before = 0;

    private bool $ended = false;

    /** @var list<Event> */
    private array $events = [];

    /** @var array<string> */
    private array $warnings = [];

    /**
     * @param  int  $at  its first byte
     * @param  int  $end  the byte after its last
     * @param  int  $number  of the track in its file, from 1
     */
    public function __construct(private readonly string $bytes, private int $at, private readonly int $end, private readonly int $number)
    {
    }

    /**
     * @param  int  $most  events that the file may still hold
     * @return list<Event>
     *
     * @throws MidiError where it is broken
     * @throws Truncated where it ends inside an event: what came before is there (`soFar`)
     */
    public function events(int $most): array
    {
        while ($this->at < $this->end && ! $this->ended) {
            $this->time();
            if ($most-- === 0) {
                throw MidiError::at($this->at, sprintf('it holds more than %s events', number_format(Reader::MOST_EVENTS)));
            }
            $status = $this->status();
            if ($status < 0xF0) {
                $this->message($status);
            } else {
                $this->other($status);
            }
        }

        return $this->events;
    }

    /** @return list<Event> */
    public function soFar(): array
    {
        return $this->events;
    }

    /** @return list<string> */
    public function warnings(): array
    {
        return array_values($this->warnings);
    }

    /** The tick of its last event. */
    public function tick(): int
    {
        return $this->tick;
    }

    /** Whether its end-of-track event was read. */
    public function isEnded(): bool
    {
        return $this->ended;
    }

    /** Reads the time up to the next event. */
    private function time(): void
    {
        $from = $this->at;
        $delta = ord($this->bytes[$from]);
        // Most are one byte.
        if ($delta < 0x80) {
            $this->at++;
        } else {
            $delta = $this->quantity();
        }
        $this->tick += $delta;
        if ($this->tick > Timeline::LAST) {
            throw MidiError::at($from, 'its times are too large');
        }
        if ($this->at >= $this->end) {
            throw new Truncated($this->at);
        }
    }

    private function status(): int
    {
        $status = ord($this->bytes[$this->at]);
        if ($status >= 0x80) {
            $this->at++;

            return $status;
        }
        if ($this->running !== 0) {
            return $this->running;
        }
        if ($this->before === 0) {
            throw MidiError::at($this->at, sprintf('an event in track %d has data but no status', $this->number));
        }
        // The standard forbids it; files have it, and mean what was running before.
        $this->warnings['running'] ??= sprintf('Track %d goes on with a running status after an event that ends it (at byte %d); it is read as it was meant.', $this->number, $this->at);

        return $this->before;
    }

    /** Reads the data of a message of a channel. */
    private function message(int $status): void
    {
        $this->running = $status;
        $at = $this->at;
        $needs = Message::DATA_BYTES[$status & 0xF0];
        if ($at + $needs > $this->end) {
            throw new Truncated($at);
        }
        $data1 = ord($this->bytes[$at]);
        $data2 = $needs === 2 ? ord($this->bytes[$at + 1]) : 0;
        if ($data1 > 127 || $data2 > 127) {
            throw MidiError::at($data1 > 127 ? $at : $at + 1, sprintf('a data byte in track %d is above 127', $this->number));
        }
        $this->at += $needs;
        $this->events[] = new Event($this->tick, $status, $data1, $data2);
    }

    /** Reads a meta or system exclusive event; both end running status. */
    private function other(int $status): void
    {
        [$this->before, $this->running] = [$this->running ?: $this->before, 0];
        $type = 0;
        if ($status === Message::META) {
            if ($this->at >= $this->end) {
                throw new Truncated($this->at);
            }
            $type = ord($this->bytes[$this->at++]);
        } elseif ($status !== Message::SYSTEM_EXCLUSIVE && $status !== Message::ESCAPE) {
            throw MidiError::at($this->at - 1, sprintf('status 0x%02X in track %d has no place in a file', $status, $this->number));
        }
        $length = $this->quantity();
        if ($this->at + $length > $this->end) {
            throw new Truncated($this->at);
        }
        $this->events[] = new Event($this->tick, $status, $type, 0, substr($this->bytes, $this->at, $length));
        $this->at += $length;
        if ($status === Message::META && $type === Message::META_END) {
            $this->ended = true;
            if ($this->at < $this->end) {
                $this->warnings[] = sprintf('Track %d goes on for %d bytes after its end; they are left out.', $this->number, $this->end - $this->at);
            }
        }
    }

    /** A number of variable length. */
    private function quantity(): int
    {
        $from = $this->at;
        $value = 0;
        do {
            if ($this->at >= $this->end) {
                throw new Truncated($this->at);
            }
            if ($this->at - $from === 4) {
                throw MidiError::at($from, 'a number of variable length is longer than four bytes');
            }
            $byte = ord($this->bytes[$this->at++]);
            $value = $value << 7 | $byte & 0x7F;
        } while ($byte >= 0x80);

        return $value;
    }
}

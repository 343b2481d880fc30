<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Standard\Message;

/** Puts a Standard MIDI File together, with running status. The events of each track come in order of time. */
final class Writer
{
    /** The most that a number of variable length may say. */
    private const LONGEST = (1 << 28) - 1;

    public static function write(MidiFile $file): string
    {
        $body = '';
        foreach ($file->tracks as $i => $events) {
            $body .= self::others($file, $i);
            $track = self::track($events);
            $body .= 'MTrk'.pack('N', strlen($track)).$track;
        }
        $body .= self::others($file, count($file->tracks));

        return 'MThd'.pack('Nnnn', 6, $file->format, count($file->tracks), $file->division).$body;
    }

    private static function others(MidiFile $file, int $position): string
    {
        $out = '';
        foreach ($file->chunks as [$before, $id, $bytes]) {
            if ($before === $position) {
                $out .= $id.pack('N', strlen($bytes)).$bytes;
            }
        }

        return $out;
    }

    /** @param  list<Event>  $events */
    private static function track(array $events): string
    {
        $out = '';
        $tick = $running = 0;
        foreach ($events as $event) {
            // A pause longer than four bytes can say goes by way of text events of no letters.
            for (; $event->tick - $tick > self::LONGEST; $tick += self::LONGEST) {
                $out .= self::quantity(self::LONGEST).chr(Message::META).chr(Message::META_TEXT)."\x00";
                $running = 0;
            }
            $out .= self::quantity($event->tick - $tick);
            $tick = $event->tick;
            if ($event->status >= 0xF0) {
                $running = 0;
                $out .= chr($event->status).($event->status === Message::META ? chr($event->data1) : '').self::quantity(strlen($event->bytes)).$event->bytes;

                continue;
            }
            if ($event->status !== $running) {
                $out .= chr($event->status);
                $running = $event->status;
            }
            $out .= chr($event->data1);
            if (Message::DATA_BYTES[$event->status & 0xF0] === 2) {
                $out .= chr($event->data2);
            }
        }

        return $out;
    }

    private static function quantity(int $value): string
    {
        $out = chr($value & 0x7F);
        while (($value >>= 7) > 0) {
            $out = chr($value & 0x7F | 0x80).$out;
        }

        return $out;
    }
}

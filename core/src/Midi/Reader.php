<?php

declare(strict_types=1);

namespace Jactonic\Core\Midi;

use Jactonic\Core\Standard\Message;

/**
 * Takes a Standard MIDI File apart: formats 0, 1 and 2, running status, any division, unknown chunks. A file that is
 * cut off keeps what came before, with a warning; one that is broken is refused, with the byte where it broke.
 */
final class Reader
{
    /** More than any song holds; a file past it would only exhaust the machine. */
    public const MOST_EVENTS = 1_000_000;

    private int $events = 0;

    /** @var array<string> */
    private array $warnings = [];

    private function __construct(private readonly string $bytes)
    {
    }

    /** @throws MidiError */
    public static function read(string $bytes): MidiFile
    {
        return (new self($bytes))->file();
    }

    private function file(): MidiFile
    {
        [$begin, $size] = $this->inside();
        if ($size - $begin < 14) {
            throw MidiError::at($size, 'it ends inside its header');
        }
        $length = $this->number($begin + 4);
        if ($length < 6 || $begin + 8 + $length > $size) {
            throw MidiError::at($begin + 4, "its header says it is $length bytes long, which cannot be");
        }
        $format = $this->short($begin + 8);
        if ($format > 2) {
            throw MidiError::at($begin + 8, "its format is $format; there are only 0, 1 and 2");
        }
        $declared = $this->short($begin + 10);
        $division = $this->short($begin + 12);
        if (($division & 0x7FFF) === 0 || ($division >= 0x8000 && (($division & 0xFF) === 0 || ! in_array(256 - ($division >> 8), [24, 25, 29, 30], true)))) {
            throw MidiError::at($begin + 12, sprintf('its division is 0x%04X, which gives no length of a tick', $division));
        }
        [$tracks, $chunks] = $this->chunks($begin + 8 + $length, $size);
        if ($tracks === []) {
            throw MidiError::at($size, 'it holds no track');
        }
        if ($declared !== count($tracks)) {
            $this->warnings[] = sprintf('The header promises %d tracks; %d are there.', $declared, count($tracks));
        }
        if ($format === 0 && count($tracks) > 1) {
            $this->warnings[] = sprintf('A file of format 0 has one track, this one has %d; it is read as format 1.', count($tracks));
            $format = 1;
        }

        return new MidiFile($format, $division, $tracks, $chunks, array_values($this->warnings));
    }

    /**
     * @param  int  $at  byte after the header
     * @return array{list<list<Event>>, list<array{int, string, string}>} tracks, and the other chunks: how many tracks stand before one, its name and bytes
     */
    private function chunks(int $at, int $size): array
    {
        $tracks = $chunks = [];
        while ($at < $size) {
            if ($tracks !== [] && strspn($this->bytes, "\x00", $at, $size - $at) === $size - $at) {
                $this->warnings[] = sprintf('%s behind the last track %s left out.', $size - $at === 1 ? '1 zero byte' : number_format($size - $at).' zero bytes', $size - $at === 1 ? 'is' : 'are');
                break;
            }
            if ($at + 8 > $size) {
                $this->warnings[] = sprintf('The file is cut off at byte %d, inside the head of a chunk; what came before is kept.', $size);
                break;
            }
            $id = substr($this->bytes, $at, 4);
            $length = $this->number($at + 4);
            $start = $at + 8;
            if ($id === 'MThd') {
                $this->warnings[] = sprintf('Another file is joined on at byte %d; only the first is read.', $at);
                break;
            }
            if (preg_match('/^[\x20-\x7E]{4}$/', $id) !== 1) {
                throw MidiError::at($at, 'a chunk should begin here, but these bytes name none');
            }
            $end = min($size, $start + $length);
            $cut = $start + $length > $size;
            if ($id === 'MTrk') {
                $tracks[] = $this->track($start, $end, $cut, count($tracks) + 1);
            } else {
                $chunks[] = [count($tracks), $id, substr($this->bytes, $start, $end - $start)];
            }
            if ($cut) {
                $this->warnings[] = sprintf('The file is cut off at byte %d, %d bytes short; what came before is kept.', $size, $start + $length - $size);
            }
            $at = $end;
        }

        return [$tracks, $chunks];
    }

    /**
     * Where the Standard MIDI File begins and ends in what was given: it may be wrapped in RIFF, or have other bytes before it.
     *
     * @return array{int, int} its first byte, and the one after its last
     *
     * @throws MidiError where there is none, with what it is instead
     */
    private function inside(): array
    {
        $size = strlen($this->bytes);
        if ($size === 0) {
            throw MidiError::at(0, 'it is empty');
        }
        if (str_starts_with($this->bytes, 'MThd')) {
            return [0, $size];
        }
        if (str_starts_with($this->bytes, 'RIFF') && substr($this->bytes, 8, 4) === 'RMID') {
            return $this->wrapped($size);
        }
        $instead = OtherFiles::name($this->bytes);
        if ($instead !== null) {
            throw MidiError::at(0, $instead);
        }
        $begin = strpos($this->bytes, "MThd\x00\x00\x00\x06");
        if ($begin === false) {
            throw MidiError::at(0, 'it is not a Standard MIDI File, which begins with “MThd”');
        }
        $this->warnings[] = sprintf('%s before the file’s header %s left out.', $begin === 1 ? '1 byte' : number_format($begin).' bytes', $begin === 1 ? 'is' : 'are');

        return [$begin, $size];
    }

    /** @return array{int, int} where the file lies in its RIFF wrapping */
    private function wrapped(int $size): array
    {
        for ($at = 12; $at + 8 <= $size; $at += 8 + $length + $length % 2) {
            $length = unpack('V', $this->bytes, $at + 4)[1] ?? 0;
            $length = is_int($length) ? $length : 0;
            if (substr($this->bytes, $at, 4) === 'data' && substr($this->bytes, $at + 8, 4) === 'MThd') {
                $this->warnings[] = 'The file is wrapped in RIFF (.rmi); what is inside is read, and saved as a plain MIDI file.';

                return [$at + 8, min($size, $at + 8 + $length)];
            }
        }
        throw MidiError::at(12, 'its RIFF wrapping holds no Standard MIDI File');
    }

    /**
     * @param  int  $at  its first byte
     * @param  int  $end  byte after the chunk, or after what is left of it
     * @return list<Event>
     */
    private function track(int $at, int $end, bool $cut, int $number): array
    {
        $track = new TrackReader($this->bytes, $at, $end, $number);
        try {
            $events = $track->events(self::MOST_EVENTS - $this->events);
        } catch (Truncated $e) {
            if (! $cut) {
                throw MidiError::at($e->byte, sprintf('track %d ends inside an event; its length must be wrong', $number));
            }
            $events = $track->soFar();
        }
        array_push($this->warnings, ...$track->warnings());
        if (! $track->isEnded()) {
            if (! $cut) {
                $this->warnings[] = sprintf('Track %d has no end-of-track event; its last event ends it.', $number);
            }
            $events[] = new Event($track->tick(), Message::META, Message::META_END);
        }
        $this->events += count($events);

        return $events;
    }

    private function number(int $at): int
    {
        return $this->short($at) << 16 | $this->short($at + 2);
    }

    private function short(int $at): int
    {
        return ord($this->bytes[$at]) << 8 | ord($this->bytes[$at + 1]);
    }
}

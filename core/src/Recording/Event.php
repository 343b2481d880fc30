<?php

declare(strict_types=1);

namespace Jactonic\Core\Recording;

use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;

/**
 * One thing that was played, at the moment it was: seconds since the take began, below 0 for what came before it. A
 * note has a beginning and an end; a message (controller, bend, pressure) has the bytes that the MIDI standard gives it.
 */
final readonly class Event
{
    public const ALLOWED = 'a list of {"on": seconds, "off": seconds, "pitch": 0–127, "velocity": 1–127} with "release" 0–127 where it is known, and of {"at": seconds, "kind": "controller", "bend" or "pressure", "data": [one or two of 0–127]}';

    /** Seconds past which nothing is played: a take of four days. */
    public const LATEST = 345_600.0;

    private const STATUS = ['controller' => 0xB0, 'bend' => 0xE0, 'pressure' => 0xD0];

    /**
     * @param  float  $on  seconds
     * @param  float  $off  seconds, after $on; the same for a message
     * @param  int  $status  0 for a note, else 0xB0, 0xD0 or 0xE0
     * @param  int  $data1  pitch, or the first byte
     * @param  int  $data2  velocity, or the second byte
     * @param  int  $release  release velocity, for notes
     */
    private function __construct(
        public float $on,
        public float $off,
        public int $status,
        public int $data1,
        public int $data2,
        public int $release = Note::RELEASE,
    ) {
    }

    public static function note(float $on, float $off, int $pitch, int $velocity): self
    {
        return new self($on, $off, 0, $pitch, $velocity);
    }

    public static function controller(float $at, int $number, int $value): self
    {
        return new self($at, $at, self::STATUS['controller'], $number, $value);
    }

    public function isNote(): bool
    {
        return $this->status === 0;
    }

    /** @throws Refusal that names what is wrong with it */
    public static function parse(mixed $event, string $name): self
    {
        if (! is_array($event)) {
            throw Refusal::parameter($name, $event, self::ALLOWED);
        }
        $isNote = isset($event['pitch']);
        $unknown = array_diff(array_keys($event), $isNote ? ['on', 'off', 'pitch', 'velocity', 'release'] : ['at', 'kind', 'data']);
        if ($unknown !== []) {
            throw Refusal::parameter($name, reset($unknown), self::ALLOWED);
        }
        if ($isNote) {
            $on = self::seconds($event, $name, 'on');
            $off = self::seconds($event, $name, 'off');
            if ($off < $on) {
                throw Refusal::parameter("$name.off", $off, 'a moment after the note began');
            }

            return new self($on, $off, 0, self::byte($event['pitch'], "$name.pitch", 0), self::byte($event['velocity'] ?? null, "$name.velocity", 1), self::byte($event['release'] ?? Note::RELEASE, "$name.release", 0));
        }
        $kind = $event['kind'] ?? null;
        $status = is_string($kind) ? self::STATUS[$kind] ?? null : null;
        $data = $event['data'] ?? null;
        if ($status === null || ! is_array($data) || count($data) !== ($kind === 'pressure' ? 1 : 2)) {
            throw Refusal::parameter($name, $event, self::ALLOWED);
        }
        $at = self::seconds($event, $name, 'at');

        return new self($at, $at, $status, self::byte($data[0] ?? null, "$name.data", 0), self::byte($data[1] ?? 0, "$name.data", 0));
    }

    /** @return array<string, mixed> what `parse` reads back */
    public function toArray(): array
    {
        return $this->isNote()
            ? ['on' => $this->on, 'off' => $this->off, 'pitch' => $this->data1, 'velocity' => $this->data2]
            : ['at' => $this->on, 'kind' => array_search($this->status, self::STATUS, true), 'data' => $this->status === 0xD0 ? [$this->data1] : [$this->data1, $this->data2]];
    }

    /** @param  array<array-key, mixed>  $event */
    private static function seconds(array $event, string $name, string $key): float
    {
        $value = $event[$key] ?? null;

        return (is_int($value) || is_float($value)) && abs($value) <= self::LATEST ? (float) $value : throw Refusal::parameter("$name.$key", $value, 'a number of seconds');
    }

    private static function byte(mixed $value, string $name, int $min): int
    {
        return is_int($value) && $value >= $min && $value <= 127 ? $value : throw Refusal::parameter($name, $value, "a whole number from $min to 127");
    }
}

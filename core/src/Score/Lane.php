<?php

declare(strict_types=1);

namespace Jactonic\Core\Score;

use Jactonic\Core\Refusal;
use Jactonic\Core\Standard\GeneralMidi;
use Jactonic\Core\Standard\Message;

/**
 * The points of one kind: a controller by its number, bend, pressure, the pressure of single keys, programs. Written
 * "cc:11", "bend", "pressure", "poly-pressure", "program".
 */
final readonly class Lane
{
    public const ALLOWED = 'cc:0 to cc:119, bend, pressure, poly-pressure or program';

    /** The status byte of each kind, without its channel; of controllers it is 0xB0. */
    public const KINDS = ['bend' => 0xE0, 'pressure' => 0xD0, 'poly-pressure' => 0xA0, 'program' => Message::PROGRAM];

    /** @param  int|null  $number  of a controller; null for the others */
    private function __construct(public string $name, private int $status, private ?int $number = null)
    {
    }

    /** @throws Refusal when there is no such lane */
    public static function parse(mixed $name, string $parameter = 'on.lane'): self
    {
        if (is_string($name) && isset(self::KINDS[$name])) {
            return new self($name, self::KINDS[$name]);
        }
        if (is_string($name) && preg_match('/^cc:(\d{1,3})$/', $name, $m) === 1 && (int) $m[1] <= 119) {
            return new self('cc:'.(int) $m[1], Message::CONTROLLER, (int) $m[1]);
        }
        throw Refusal::parameter($parameter, $name, self::ALLOWED);
    }

    /** The lane that a point belongs to. Loose note-offs and channel mode messages have lanes too, though no name to be asked for by. */
    public static function of(Point $point): self
    {
        return self::at($point->status, $point->data1);
    }

    /** The lane of such bytes. */
    public static function at(int $status, int $data1): self
    {
        /** @var array<int, self> $lanes made once each: it is asked of every point */
        static $lanes = [];
        $kind = $status & 0xF0;

        return $lanes[$kind === Message::CONTROLLER ? $kind << 7 | $data1 : $kind] ??= self::new($kind, $data1);
    }

    private static function new(int $kind, int $number): self
    {
        $name = array_search($kind, self::KINDS, true);

        return match (true) {
            $name !== false => new self($name, $kind),
            $kind === Message::CONTROLLER => new self("cc:$number", $kind, $number),
            default => new self('note-off', $kind),
        };
    }

    /** As people call it. */
    public function title(): string
    {
        return match ($this->name) {
            'bend' => 'Pitch bend',
            'pressure' => 'Pressure',
            'poly-pressure' => 'Pressure of keys',
            'program' => 'Program',
            default => GeneralMidi::CONTROLLERS[$this->number ?? -1] ?? "Controller $this->number",
        };
    }

    public function holds(Point $point): bool
    {
        return $this->is($point->status, $point->data1);
    }

    /** Whether such bytes are of it. */
    public function is(int $status, int $data1): bool
    {
        return ($status & 0xF0) === $this->status && ($this->number === null || $data1 === $this->number);
    }

    /** @return array{int, int} the least and the largest value */
    public function range(): array
    {
        return $this->status === 0xE0 ? [-8192, 8191] : [0, 127];
    }

    /** The value of one of its points: 0 to 127; of a bend −8192 to 8191. */
    public function value(Point $point): int
    {
        return $this->valueOf($point->data1, $point->data2);
    }

    /** The value that data bytes stand for. */
    public function valueOf(int $data1, int $data2): int
    {
        return match ($this->status) {
            0xE0 => ($data2 << 7 | $data1) - 8192,
            Message::CONTROLLER, 0xA0 => $data2,
            default => $data1,
        };
    }

    /** One of its values in words: "Expression 84", "Program 49 String Ensemble 1". */
    public function words(int $value): string
    {
        return $this->title().' '.($this->name === 'program' ? trim(($value + 1).' '.(GeneralMidi::PROGRAMS[$value] ?? '')) : $value);
    }

    /** A new point of it. */
    public function point(int $id, int $tick, int $channel, int $value): Point
    {
        [$data1, $data2] = $this->data($value);

        return new Point($id, $tick, $this->status | $channel, $data1, $data2);
    }

    /**
     * The data bytes of a value.
     *
     * @param  int  $key  of a key's own pressure
     * @return array{int, int}
     */
    public function data(int $value, int $key = 0): array
    {
        return match ($this->status) {
            0xE0 => [($value + 8192) & 0x7F, ($value + 8192) >> 7],
            Message::CONTROLLER => [$this->number ?? 0, $value],
            0xA0 => [$key, $value],
            default => [$value, 0],
        };
    }
}

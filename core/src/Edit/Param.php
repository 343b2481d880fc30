<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Recording\Event;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\Note;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Step;

/** One parameter of an edit: what it takes, and what holds where it is left out. */
final readonly class Param
{
    /** The most notes that one command may bring. */
    private const MOST_NOTES = 100_000;

    /**
     * @param  mixed  $default  null where there is none
     * @param  string|null  $setting  the part's setting that stands in when the parameter is left out
     * @param  list<string>  $choices
     * @param  bool  $adds  whether doing it twice is doing it once with the sum, all else being equal
     */
    private function __construct(
        public string $name,
        public string $title,
        public Type $type,
        public mixed $default = null,
        public ?string $setting = null,
        public bool $optional = false,
        public ?float $min = null,
        public ?float $max = null,
        public string $unit = '',
        public array $choices = [],
        public bool $adds = false,
    ) {
    }

    /** A whole number. Without a default it has to be given. */
    public static function integer(string $name, string $title, int $min, int $max, ?int $default = null, string $unit = '', ?string $setting = null, bool $optional = false, bool $adds = false): self
    {
        return new self($name, $title, Type::Integer, $default, $setting, $optional, $min, $max, $unit, adds: $adds);
    }

    public static function number(string $name, string $title, float $min, float $max, ?float $default = null, string $unit = '', ?string $setting = null, bool $optional = false): self
    {
        return new self($name, $title, Type::Number, $default, $setting, $optional, $min, $max, $unit);
    }

    /** @param  list<string>  $choices */
    public static function choice(string $name, string $title, array $choices, string $default, ?string $setting = null): self
    {
        return new self($name, $title, Type::Choice, $default, $setting, choices: $choices);
    }

    public static function grid(string $name, string $title, ?string $setting = null, ?string $default = null): self
    {
        return new self($name, $title, Type::Grid, $default === null ? null : Grid::parse($default), $setting);
    }

    public static function step(string $name, string $title, ?string $setting = null): self
    {
        return new self($name, $title, Type::Step, setting: $setting);
    }

    /** How long: a note value such as "1/16", or ticks. Read as a step. */
    public static function length(string $name, string $title, ?string $default = null): self
    {
        return new self($name, $title, Type::Length, $default === null ? null : Step::ofLength($default, $name));
    }

    /** A feel, as Groove::toArray writes it. */
    public static function groove(string $name, string $title): self
    {
        return new self($name, $title, Type::Groove);
    }

    /** True or false. */
    public static function flag(string $name, string $title, bool $default = false): self
    {
        return new self($name, $title, Type::Flag, $default);
    }

    /** A short text, such as the id of something. Without a default it has to be given; with an empty one it may be left out. */
    public static function text(string $name, string $title, ?string $default = null): self
    {
        return new self($name, $title, Type::Text, $default === '' ? null : $default, optional: $default === '');
    }

    /** A list of notes to come, as `insert` takes them. */
    public static function notes(string $name, string $title): self
    {
        return new self($name, $title, Type::Notes);
    }

    /** What was played: a list of raw events, as Recording\Event reads them. */
    public static function played(string $name, string $title): self
    {
        return new self($name, $title, Type::Played);
    }

    /** Two moments or more in seconds, each after the one before. */
    public static function times(string $name, string $title): self
    {
        return new self($name, $title, Type::Times);
    }

    /** What may stand here, in words. */
    public function allowed(): string
    {
        $unit = $this->unit === '' ? '' : ' '.$this->unit;

        return match ($this->type) {
            Type::Integer => sprintf('a whole number from %d to %d%s', $this->min, $this->max, $unit),
            Type::Number => sprintf('a number from %s to %s%s', $this->min, $this->max, $unit),
            Type::Choice => 'one of '.implode(', ', $this->choices),
            Type::Grid => Grid::ALLOWED,
            Type::Step => Step::ALLOWED,
            Type::Length => Step::LENGTH_ALLOWED,
            Type::Groove => Groove::ALLOWED,
            Type::Flag => 'true or false',
            Type::Played => Event::ALLOWED,
            Type::Times => 'a list of 2 to 64 moments in seconds, each after the one before',
            Type::Text => 'a text of 1 to 200 letters',
            Type::Notes => 'a list of {"start": tick, "pitch": 0–127} with "length" in ticks and "velocity" 1–127 where the pen is not to say them',
        };
    }

    /**
     * The value checked and in the core's own form: int, float, string, Grid, Step, Groove, list<array<string, int>>,
     * list<Event> or list<float>.
     *
     * @throws Refusal that names the parameter, what came and what is allowed
     */
    public function read(mixed $value): mixed
    {
        if ($this->type === Type::Grid && is_string($value)) {
            return Grid::parse($value, $this->name);
        }
        if ($this->type === Type::Notes && is_array($value) && array_is_list($value) && count($value) <= self::MOST_NOTES) {
            return array_map($this->note(...), $value, array_keys($value));
        }
        if ($this->type === Type::Played && is_array($value) && array_is_list($value) && count($value) <= self::MOST_NOTES) {
            return array_map(fn (mixed $event, int $i): Event => Event::parse($event, "$this->name[$i]"), $value, array_keys($value));
        }
        if ($this->type === Type::Times && self::areTimes($value)) {
            return $value;
        }
        if ($this->type === Type::Number && (is_int($value) || is_float($value)) && $value >= $this->min && $value <= $this->max) {
            return (float) $value;
        }
        $good = match ($this->type) {
            Type::Integer => is_int($value) && $value >= $this->min && $value <= $this->max,
            Type::Choice => in_array($value, $this->choices, true),
            Type::Flag => is_bool($value),
            Type::Text => is_string($value) && $value !== '' && mb_strlen($value) <= 200,
            Type::Step, Type::Length, Type::Groove => true,
            default => false,
        };
        if (! $good) {
            throw Refusal::parameter($this->name, $value, $this->allowed());
        }

        return match ($this->type) {
            Type::Step => Step::parse($value, $this->name),
            Type::Length => Step::ofLength($value, $this->name),
            Type::Groove => Groove::fromArray($value, $this->name),
            default => $value,
        };
    }

    /** @return array<string, mixed> for the interface and the reference page */
    public function toArray(): array
    {
        return array_filter([
            'name' => $this->name, 'title' => $this->title, 'type' => $this->type->value, 'unit' => $this->unit,
            'min' => $this->min, 'max' => $this->max, 'default' => match (true) {
                $this->default instanceof Step => $this->default->toLength(),
                $this->default instanceof Grid => $this->default->name,
                default => $this->default,
            }, 'setting' => $this->setting,
            'choices' => $this->choices, 'optional' => $this->optional ?: null, 'adds' => $this->adds ?: null, 'allowed' => $this->allowed(),
        ], static fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);
    }

    private static function areTimes(mixed $value): bool
    {
        if (! is_array($value) || ! array_is_list($value) || count($value) < 2 || count($value) > 64) {
            return false;
        }
        $last = -INF;
        foreach ($value as $time) {
            if ((! is_int($time) && ! is_float($time)) || $time <= $last || abs($time) > Event::LATEST) {
                return false;
            }
            $last = $time;
        }

        return true;
    }

    /** @return array<string, int> */
    private function note(mixed $note, int $i): array
    {
        $ranges = [
            'start' => [0, PHP_INT_MAX >> 20, null], 'length' => [1, PHP_INT_MAX >> 20, 0],
            'pitch' => [Note::LOWEST, Note::HIGHEST, null], 'velocity' => [Note::SOFTEST, Note::LOUDEST, 0],
            'channel' => [0, 15, -1], 'group' => [0, PHP_INT_MAX >> 20, 0], 'release' => [Note::RELEASE_BY_NOTE_ON, 127, Note::RELEASE],
            'driftStart' => [-(PHP_INT_MAX >> 20), PHP_INT_MAX >> 20, 0], 'driftLength' => [-(PHP_INT_MAX >> 20), PHP_INT_MAX >> 20, 0],
            'muted' => [0, 1, 0],
        ];
        if (! is_array($note)) {
            throw Refusal::parameter("$this->name[$i]", $note, $this->allowed());
        }
        $unknown = array_diff(array_keys($note), array_keys($ranges));
        if ($unknown !== []) {
            throw Refusal::parameter("$this->name[$i]", reset($unknown), 'one of '.implode(', ', array_keys($ranges)));
        }
        $read = [];
        foreach ($ranges as $key => [$min, $max, $default]) {
            $value = $note[$key] ?? $default;
            $value = is_bool($value) ? (int) $value : $value;
            if (! is_int($value) || (($value < $min || $value > $max) && isset($note[$key]))) {
                throw Refusal::parameter("$this->name[$i].$key", $note[$key] ?? null, "a whole number from $min to $max");
            }
            $read[$key] = $value;
        }

        return $read;
    }
}

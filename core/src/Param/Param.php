<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Refusal;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Step;

/** One parameter of an edit: its name, what kind it is, and what holds where it is left out. */
final readonly class Param
{
    /**
     * @param  mixed  $default  in the core's own form; null where there is none
     * @param  string|null  $setting  the part's setting that stands in when the parameter is left out
     * @param  bool  $adds  whether doing it twice is doing it once with the sum, all else being equal
     * @param  bool  $isAsked  whether a panel has a field for it
     * @param  string|null  $unless  another parameter that may be given in its place
     */
    public function __construct(
        public string $name,
        public string $title,
        public Kind $kind,
        public mixed $default = null,
        public ?string $setting = null,
        public bool $optional = false,
        public bool $adds = false,
        public bool $isAsked = true,
        public ?string $unless = null,
    ) {
    }

    /** The same, in place of which another may be given. */
    public function unless(string $other): self
    {
        return new self($this->name, $this->title, $this->kind, $this->default, $this->setting, $this->optional, $this->adds, $this->isAsked, $other);
    }

    /** The same, which only a key or a gesture gives: no panel has a field for it. */
    public function unasked(): self
    {
        return new self($this->name, $this->title, $this->kind, $this->default, $this->setting, $this->optional, $this->adds, false);
    }

    /**
     * A whole number. Without a default it has to be given.
     *
     * @param  string  $blank  what holds where an optional one is not named
     */
    public static function integer(string $name, string $title, int $min, int $max, ?int $default = null, string $unit = '', ?string $setting = null, bool $optional = false, bool $adds = false, string $blank = ''): self
    {
        return new self($name, $title, new Whole($min, $max, $unit, $blank), $default, $setting, $optional, $adds);
    }

    public static function number(string $name, string $title, float $min, float $max, ?float $default = null, string $unit = '', ?string $setting = null, bool $optional = false): self
    {
        return new self($name, $title, new Number($min, $max, $unit), $default, $setting, $optional);
    }

    /** The gather window of chords; left out, it is read from the part's own starts. */
    public static function gather(): self
    {
        return new self('gather', 'Notes of one chord lie within', new Number(0, 1000, 'ms', true), optional: true);
    }

    public static function pitch(string $name, string $title, CaretRow|int|null $default = null, bool $optional = false): self
    {
        return new self($name, $title, new PitchValue, $default, optional: $optional);
    }

    public static function chord(string $name, string $title): self
    {
        return new self($name, $title, new ChordValue);
    }

    /** @param  string|null  $blank  what holds where none is named; null where one has to be */
    public static function lane(string $name, string $title, ?string $blank = null): self
    {
        return new self($name, $title, new LaneValue($blank ?? ''), optional: $blank !== null);
    }

    public static function articulations(string $name, string $title): self
    {
        return new self($name, $title, new ArticulationsValue);
    }

    public static function curves(string $name, string $title): self
    {
        return new self($name, $title, new CurvesValue, optional: true);
    }

    public static function points(string $name, string $title): self
    {
        return new self($name, $title, new PointList);
    }

    /** Rows, each a pitch, from below. */
    public static function pitches(string $name, string $title): self
    {
        return new self($name, $title, new PitchList);
    }

    public static function parts(string $name, string $title): self
    {
        return new self($name, $title, new PartList);
    }

    /** Parts that were carried away. */
    public static function partClip(string $name, string $title): self
    {
        return new self($name, $title, new PartClipValue);
    }

    public static function progression(string $name, string $title): self
    {
        return new self($name, $title, new ProgressionValue);
    }

    /** A scale; the one that holds in the part stands in, unless it may be none. */
    public static function scale(string $name, string $title, bool $orNone = false): self
    {
        return new self($name, $title, new ScaleValue, setting: $orNone ? null : 'scale', optional: $orNone);
    }

    /** How many times over: a number or a fraction. */
    public static function ratio(string $name, string $title): self
    {
        return new self($name, $title, new Ratio);
    }

    /** A tick, or a word for one. */
    public static function place(string $name, string $title, int $min = 0, int|Word|null $default = null, bool $optional = false): self
    {
        return new self($name, $title, new Place($min), $default, optional: $optional);
    }

    /** @param  list<string>|array<string, string>  $choices  a list, or the words for each */
    public static function choice(string $name, string $title, array $choices, ?string $default = null, ?string $setting = null, bool $optional = false): self
    {
        return new self($name, $title, new Choice($choices), $default, $setting, $optional);
    }

    public static function grid(string $name, string $title, ?string $setting = null, ?string $default = null): self
    {
        return new self($name, $title, new GridValue, $default === null ? null : Grid::parse($default), $setting);
    }

    /** @param  array{unit: string, amount: int|string}|null  $default */
    public static function step(string $name, string $title, ?string $setting = null, ?array $default = null): self
    {
        return new self($name, $title, new StepValue, $default === null ? null : Step::parse($default), $setting);
    }

    public static function length(string $name, string $title, ?string $default = null): self
    {
        return new self($name, $title, new Length, $default === null ? null : Step::ofLength($default, $name));
    }

    public static function groove(string $name, string $title): self
    {
        return new self($name, $title, new GrooveValue);
    }

    /** A track of the song, by its number. */
    public static function track(string $name, string $title): self
    {
        return new self($name, $title, new ThingId('track'), optional: true);
    }

    /** A part of the song, by its number. */
    public static function part(string $name, string $title): self
    {
        return new self($name, $title, new ThingId('part'), optional: true);
    }

    public static function flag(string $name, string $title, bool $default = false): self
    {
        return new self($name, $title, new Flag, $default);
    }

    /** A short text, such as the id of something. Without a default it has to be given; with an empty one it may be left out. */
    public static function text(string $name, string $title, ?string $default = null): self
    {
        return new self($name, $title, new Text, $default === '' ? null : $default, optional: $default === '');
    }

    public static function name(string $name, string $title, bool $optional = false): self
    {
        return new self($name, $title, new Name, optional: $optional);
    }

    public static function pick(string $name, string $title): self
    {
        return new self($name, $title, new PickValue);
    }

    public static function notes(string $name, string $title): self
    {
        return new self($name, $title, new NoteList);
    }

    public static function played(string $name, string $title): self
    {
        return new self($name, $title, new PlayedList);
    }

    public static function times(string $name, string $title): self
    {
        return new self($name, $title, new Times);
    }

    /** What may stand here, in words. */
    public function allowed(): string
    {
        return $this->kind->allowed();
    }

    /** Whether a command cannot be done without it. */
    public function isRequired(): bool
    {
        return ! $this->optional && $this->default === null && $this->setting === null;
    }

    /**
     * The value checked and in the core's own form.
     *
     * @throws Refusal that names the parameter, what came and what is allowed
     */
    public function read(mixed $value): mixed
    {
        try {
            return $this->kind->read($value, $this->name);
        } catch (Refusal $refusal) {
            // Of a value that is made of several, what is wrong inside it is said by itself.
            throw $refusal->parameter === $this->name ? $refusal->onScreen($this->sentence()) : $refusal;
        }
    }

    /** What may stand here, for the screen. */
    public function sentence(): string
    {
        return sprintf('%s: %s.', $this->title, $this->words() ?? $this->allowed());
    }

    /** The same without its title, where `allowed` is for those who write a command. */
    private function words(): ?string
    {
        return match ($this->kind->field()) {
            'place' => 'a bar and beat, such as 17.3, or a place of the list',
            'step' => 'a number above 0, in the unit of the list',
            'grid' => 'a note value from 1/1 to 1/128, such as 1/16, 1/8T or 1/16:5, or bars',
            'length' => 'a note value such as 1/16, or bars',
            'track', 'part', 'lane' => 'a name of the list',
            'pitch' => 'a pitch such as C2, F#3 or Bb1, or a drum',
            default => null,
        };
    }

    /** @return array<string, mixed> for the interface and the reference page */
    public function toArray(): array
    {
        return array_filter([
            'name' => $this->name, 'title' => $this->title, 'type' => $this->kind->field(), 'default' => $this->kind->write($this->default), 'setting' => $this->setting,
            'optional' => $this->optional ?: null, 'adds' => $this->adds ?: null, 'hidden' => $this->isAsked && $this->kind->isAskable() ? null : true, 'allowed' => $this->allowed(), 'screen' => $this->words(),
        ] + $this->kind->limits(), static fn (mixed $v): bool => $v !== null && $v !== '' && $v !== []);
    }
}

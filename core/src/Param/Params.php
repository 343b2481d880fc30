<?php

declare(strict_types=1);

namespace Jactonic\Core\Param;

use Jactonic\Core\Harmony\Chord;
use Jactonic\Core\Harmony\Progression;
use Jactonic\Core\Harmony\Scale;
use Jactonic\Core\Recording\Event;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\ArticulationSet;
use Jactonic\Core\Score\Expression;
use Jactonic\Core\Score\Lane;
use Jactonic\Core\Score\PartClip;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Score\Score;
use Jactonic\Core\Selection\NoteFilter;
use Jactonic\Core\Selection\Selection;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Step;

/** The checked parameters of one command; a part's settings stand in for what was left out. */
final readonly class Params
{
    /**
     * @param  array<string, Param>  $params  by name
     * @param  array<string, mixed>  $given  in the core's own form
     */
    private function __construct(private array $params, private array $given)
    {
    }

    /**
     * @param  list<Param>  $params  those that there are
     * @param  mixed  $given  as the command had them
     * @param  string  $of  what they belong to, for the sentence where it takes none
     *
     * @throws Refusal for a parameter that is unknown or out of range
     */
    public static function read(array $params, mixed $given, string $of): self
    {
        if (! is_array($given)) {
            throw Refusal::parameter('params', $given, 'an object');
        }
        $byName = array_column($params, null, 'name');
        $read = [];
        foreach ($given as $name => $value) {
            $param = $byName[$name] ?? throw Refusal::parameter((string) $name, $value,
                $params === [] ? "no parameter: $of takes none" : 'one of '.implode(', ', array_keys($byName)));
            if ($value !== null) {
                $read[$param->name] = $param->read($value);
            }
        }

        return new self($byName, $read);
    }

    /**
     * Checks parameters that are kept, to be used later: as `read`, and what has to be given has to be there.
     *
     * @param  list<Param>  $params
     *
     * @throws Refusal
     */
    public static function check(array $params, mixed $given, string $of): void
    {
        $read = self::read($params, $given, $of);
        foreach ($params as $param) {
            if ($param->isRequired() && ! $read->has($param->name) && ! $read->has($param->unless ?? '')) {
                throw Refusal::missing($param->name, $param->allowed())->onScreen($param->sentence());
            }
        }
    }

    /**
     * With every place that was given by a word, or is one by default, as the tick that it is here.
     *
     * @throws Refusal for one that cannot be resolved, saying what is missing
     */
    public function placed(Context $context, Score $score, Selection $on): self
    {
        $given = $this->given;
        foreach ($this->params as $name => $param) {
            $value = $given[$name] ?? $param->default;
            if ($value instanceof Word) {
                $given[$name] = $param->read($context->resolve($value, $score, $on));
            } elseif ($value instanceof CaretRow) {
                $given[$name] = $context->row ?? throw new Refusal('There is no caret.', 'context');
            }
        }

        return new self($this->params, $given);
    }

    public function has(string $name): bool
    {
        return isset($this->given[$name]);
    }

    public function integer(string $name, ?PartSettings $settings = null): int
    {
        $value = $this->value($name, $settings);

        return is_int($value) ? $value : throw $this->missing($name);
    }

    public function number(string $name, ?PartSettings $settings = null): float
    {
        $value = $this->value($name, $settings);

        return is_int($value) || is_float($value) ? (float) $value : throw $this->missing($name);
    }

    public function choice(string $name, ?PartSettings $settings = null): string
    {
        $value = $this->value($name, $settings);

        return is_string($value) ? $value : throw $this->missing($name);
    }

    public function grid(string $name, ?PartSettings $settings = null): Grid
    {
        $value = $this->value($name, $settings);

        return $value instanceof Grid ? $value : throw $this->missing($name);
    }

    public function step(string $name, ?PartSettings $settings = null): Step
    {
        $value = $this->value($name, $settings);

        return $value instanceof Step ? $value : throw $this->missing($name);
    }

    public function chord(string $name): Chord
    {
        $value = $this->value($name, null);

        return $value instanceof Chord ? $value : throw $this->missing($name);
    }

    /** None where none are given. */
    public function curves(string $name): Expression
    {
        $value = $this->value($name, null);

        return $value instanceof Expression ? $value : Expression::of('');
    }

    /** Null where there is to be none. */
    public function articulations(string $name): ?ArticulationSet
    {
        $value = $this->value($name, null);

        return $value instanceof ArticulationSet ? $value : null;
    }

    public function lane(string $name): Lane
    {
        $value = $this->value($name, null);

        return $value instanceof Lane ? $value : throw $this->missing($name);
    }

    /** @return non-empty-list<array{int, int}> tick and value */
    public function points(string $name): array
    {
        $value = $this->value($name, null);

        /** @var non-empty-list<array{int, int}> */
        return is_array($value) && $value !== [] ? $value : throw $this->missing($name);
    }

    /** @return non-empty-list<int> pitches */
    public function rows(string $name): array
    {
        return $this->numbers($name);
    }

    /** @return non-empty-list<int> ids of parts */
    public function partIds(string $name): array
    {
        return $this->numbers($name);
    }

    /** @return non-empty-list<int> */
    private function numbers(string $name): array
    {
        $value = $this->value($name, null);

        /** @var non-empty-list<int> */
        return is_array($value) && $value !== [] ? $value : throw $this->missing($name);
    }

    public function progression(string $name): Progression
    {
        $value = $this->value($name, null);

        return $value instanceof Progression ? $value : throw $this->missing($name);
    }

    /**
     * @param  Scale|null  $otherwise  the one that holds where none is given
     *
     * @throws Refusal where there is neither
     */
    public function scale(string $name, ?Scale $otherwise = null): Scale
    {
        $value = $this->value($name, null);

        return ($value instanceof Scale ? $value : $otherwise) ?? throw new Refusal('There is no scale: set one for the song or the part, such as D dorian.', $name);
    }

    public function groove(string $name): Groove
    {
        $value = $this->value($name, null);

        return $value instanceof Groove ? $value : throw $this->missing($name);
    }

    public function clip(string $name): PartClip
    {
        $value = $this->value($name, null);

        return $value instanceof PartClip ? $value : throw $this->missing($name);
    }

    /** @return list<array<string, int>> */
    public function notes(string $name): array
    {
        $value = $this->value($name, null);

        /** @var list<array<string, int>> */
        return is_array($value) ? $value : throw $this->missing($name);
    }

    public function pick(string $name): NoteFilter
    {
        $value = $this->value($name, null);

        return $value instanceof NoteFilter ? $value : throw $this->missing($name);
    }

    public function flag(string $name): bool
    {
        return $this->value($name, null) === true;
    }

    /** A text; empty where it may be left out and is. */
    public function text(string $name): string
    {
        $value = $this->value($name, null);

        return is_string($value) ? $value : ($this->params[$name]->isRequired() ? throw $this->missing($name) : '');
    }

    /** @return list<Event> */
    public function played(string $name): array
    {
        $value = $this->value($name, null);

        /** @var list<Event> */
        return is_array($value) ? $value : throw $this->missing($name);
    }

    /** @return list<float> */
    public function times(string $name): array
    {
        $value = $this->value($name, null);

        return is_array($value) ? array_map(static fn (mixed $t): float => is_int($t) || is_float($t) ? (float) $t : 0.0, array_values($value)) : throw $this->missing($name);
    }

    private function value(string $name, ?PartSettings $settings): mixed
    {
        $param = $this->params[$name] ?? throw new \LogicException("There is no parameter $name.");

        return $this->given[$name] ?? ($param->setting === null ? null : $settings?->{$param->setting}) ?? $param->default;
    }

    private function missing(string $name): Refusal
    {
        return Refusal::missing($name, $this->params[$name]->allowed())->onScreen($this->params[$name]->sentence());
    }
}

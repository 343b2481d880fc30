<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Recording\Event;
use Jactonic\Core\Refusal;
use Jactonic\Core\Score\PartSettings;
use Jactonic\Core\Time\Grid;
use Jactonic\Core\Time\Groove;
use Jactonic\Core\Time\Step;

/** The checked parameters of one command for one part, whose settings stand in for what was left out. */
final readonly class Params
{
    /** @param  array<string, mixed>  $given in the core's own form */
    private function __construct(private Spec $spec, private array $given)
    {
    }

    /**
     * @param  mixed  $params  as the command had them
     *
     * @throws Refusal for a parameter that is unknown or out of range
     */
    public static function read(Spec $spec, mixed $params): self
    {
        if (! is_array($params)) {
            throw Refusal::parameter('params', $params, 'an object');
        }
        $given = [];
        foreach ($params as $name => $value) {
            $param = $spec->param((string) $name) ?? throw Refusal::parameter((string) $name, $value,
                $spec->params === [] ? "no parameter: $spec->id takes none" : 'one of '.implode(', ', array_map(static fn (Param $p): string => $p->name, $spec->params)));
            if ($value !== null) {
                $given[$param->name] = $param->read($value);
            }
        }

        return new self($spec, $given);
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

    public function groove(string $name): Groove
    {
        $value = $this->value($name, null);

        return $value instanceof Groove ? $value : throw $this->missing($name);
    }

    /** @return list<array<string, int>> */
    public function notes(string $name): array
    {
        $value = $this->value($name, null);

        /** @var list<array<string, int>> */
        return is_array($value) ? $value : throw $this->missing($name);
    }

    public function flag(string $name): bool
    {
        return $this->value($name, null) === true;
    }

    /** A text that may be left out: then it is empty. */
    public function text(string $name): string
    {
        $value = $this->value($name, null);

        return is_string($value) ? $value : '';
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
        $param = $this->spec->param($name) ?? throw new \LogicException("{$this->spec->id} has no parameter $name");

        return $this->given[$name] ?? ($param->setting === null ? null : $settings?->{$param->setting}) ?? $param->default;
    }

    private function missing(string $name): Refusal
    {
        return Refusal::missing($name, $this->spec->param($name)?->allowed() ?? '');
    }
}

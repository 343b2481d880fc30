<?php

declare(strict_types=1);

namespace Jactonic\Core\Keymap;

use Jactonic\Core\Refusal;

/**
 * A set of shortcuts. In one context no keys are given twice, and no single stroke also begins a sequence, since it
 * would never be heard alone. The contexts of one page go before "any": what stands there gives way.
 */
final readonly class Keymap
{
    /** Where a shortcut holds; "any" holds everywhere and gives way to each of the others. */
    public const CONTEXTS = ['any', 'songs', 'song', 'roll', 'keys'];

    /** The most shortcuts in a set. */
    private const MOST = 2000;

    /** @var list<Binding> with their keys in normal form */
    public array $bindings;

    /**
     * @param  list<Binding>  $bindings
     *
     * @throws Refusal for a context or a stroke that is none, and for a collision, naming both commands
     */
    public function __construct(array $bindings)
    {
        $map = [];
        // By context: what keys stand for, and the first shortcut of two strokes that begins with one.
        $taken = $begun = [];
        foreach ($bindings as $binding) {
            $normal = self::normal($binding);
            $first = explode(' ', $normal->keys)[0];
            $other = $taken[$normal->context][$normal->keys] ?? $begun[$normal->context][$normal->keys] ?? $taken[$normal->context][$first] ?? null;
            if ($other !== null) {
                throw new Refusal(sprintf('%s runs “%s” already and cannot also run “%s”.', $other->keys, $other->label, $normal->label), 'keys');
            }
            $taken[$normal->context][$normal->keys] = $normal;
            if ($first !== $normal->keys) {
                $begun[$normal->context][$first] ??= $normal;
            }
            $map[] = $normal;
        }
        $this->bindings = $map;
    }

    /**
     * A set out of a file or from the interface: each command has to be known and take its parameters.
     *
     * @throws Refusal that says which shortcut is wrong, and how
     */
    public static function fromArray(mixed $list): self
    {
        if (! is_array($list) || ! array_is_list($list) || count($list) > self::MOST) {
            throw Refusal::parameter('keys', $list, 'a list of shortcuts, '.self::MOST.' at most');
        }

        return new self(array_map(Binding::fromArray(...), $list));
    }

    /**
     * A set as it was kept. Shortcuts of commands that are no longer there, or that take other parameters by now, are
     * left out: they must not stop the rest.
     *
     * @param  array<array-key, mixed>  $list
     */
    public static function kept(array $list): self
    {
        try {
            return self::fromArray($list);
        } catch (Refusal) {
            $map = new self([]);
            foreach ($list as $binding) {
                try {
                    $map = $map->with(Binding::fromArray($binding));
                } catch (Refusal) {
                    continue;
                }
            }

            return $map;
        }
    }

    /**
     * The shortcuts that would be lost if others were given these keys: the same keys in the same context, those that
     * begin with them, and the one that they begin with.
     *
     * @return list<Binding>
     *
     * @throws Refusal when the keys are none
     */
    public function lost(string $context, string $keys): array
    {
        $keys = Stroke::sequence($keys);

        return array_values(array_filter($this->bindings, static fn (Binding $b): bool => $b->context === $context && self::collide($b->keys, $keys)));
    }

    /**
     * The shortcuts of other contexts that meet these keys: a page's go before those of "any".
     *
     * @return list<Binding>
     *
     * @throws Refusal when the keys are none
     */
    public function hidden(string $context, string $keys): array
    {
        $keys = Stroke::sequence($keys);

        return array_values(array_filter($this->bindings, static fn (Binding $b): bool => $b->context !== $context
            && ($context === 'any' || $b->context === 'any') && self::collide($b->keys, $keys)));
    }

    /**
     * This set with one shortcut more.
     *
     * @param  bool  $replace  whether shortcuts that it collides with give way
     *
     * @throws Refusal where it collides and they do not, naming them
     */
    public function with(Binding $binding, bool $replace = false): self
    {
        $normal = self::normal($binding);
        $lost = $this->lost($normal->context, $normal->keys);
        if ($lost !== [] && ! $replace) {
            throw new Refusal(sprintf('%s runs %s already.', $normal->keys, implode(' and ', array_map(static fn (Binding $b): string => "“{$b->label}”", $lost))), 'keys');
        }

        return new self([...array_values(array_filter($this->bindings, static fn (Binding $b): bool => ! in_array($b, $lost, true))), $normal]);
    }

    /** @throws Refusal when there is no such shortcut */
    public function without(string $context, string $keys): self
    {
        $keys = Stroke::sequence($keys);
        $left = array_values(array_filter($this->bindings, static fn (Binding $b): bool => $b->context !== $context || $b->keys !== $keys));
        if (count($left) === count($this->bindings)) {
            throw Refusal::parameter('keys', $keys, "keys that run something in $context");
        }

        return new self($left);
    }

    /**
     * This set with the shortcuts of one command as another set has them. What stands in their way gives way.
     */
    public function reset(string $command, self $to): self
    {
        $map = new self(array_values(array_filter($this->bindings, static fn (Binding $b): bool => $b->command !== $command)));
        foreach ($to->bindings as $binding) {
            $map = $binding->command === $command ? $map->with($binding, true) : $map;
        }

        return $map;
    }

    /** @return list<array{context: string, keys: string, command: string, params: object, label: string}> */
    public function toArray(): array
    {
        return array_map(static fn (Binding $b): array => $b->toArray(), $this->bindings);
    }

    /** Whether two sequences in normal form cannot both be heard. */
    private static function collide(string $a, string $b): bool
    {
        return str_starts_with("$a ", "$b ") || str_starts_with("$b ", "$a ");
    }

    private static function normal(Binding $binding): Binding
    {
        if (! in_array($binding->context, self::CONTEXTS, true)) {
            throw Refusal::parameter('context', $binding->context, 'one of '.implode(', ', self::CONTEXTS));
        }

        return new Binding($binding->context, Stroke::sequence($binding->keys), $binding->command, $binding->params, $binding->label);
    }
}

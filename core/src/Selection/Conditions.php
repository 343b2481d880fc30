<?php

declare(strict_types=1);

namespace Jactonic\Core\Selection;

use Jactonic\Core\Selection\Condition\InRange;

/** All conditions there are, found in their folder. */
final class Conditions
{
    /** What joins filters, beside the conditions. */
    public const JOINS = [
        'all' => 'true',
        'not' => 'another pick',
        'and' => 'a list of picks, all of which hold',
        'or' => 'a list of picks, one of which holds',
    ];

    /** @return array<string, class-string<Condition>> by key */
    public static function classes(): array
    {
        static $classes = null;
        if ($classes === null) {
            $classes = [];
            foreach (glob(__DIR__.'/Condition/*.php') ?: [] as $file) {
                $key = lcfirst(basename($file, '.php'));
                $class = self::find($key);
                if ($class !== null) {
                    $classes[$key] = $class;
                }
            }
            // The sort is stable: of the same rank they stay in order of their keys.
            uasort($classes, static fn (string $a, string $b): int => $a::spec()->rank <=> $b::spec()->rank);
        }

        /** @var array<string, class-string<Condition>> */
        return $classes;
    }

    /**
     * One of them, without the others being loaded.
     *
     * @return class-string<Condition>|null null where there is none of the key
     */
    public static function find(string $key): ?string
    {
        $class = __NAMESPACE__.'\\Condition\\'.ucfirst($key);

        return preg_match('/^[a-z][A-Za-z]*$/', $key) === 1 && is_subclass_of($class, Condition::class) && $class !== InRange::class ? $class : null;
    }

    /** @return array<string, string> what each takes, by key, with what joins filters */
    public static function allowed(): array
    {
        return ['all' => self::JOINS['all']] + array_map(static fn (string $class): string => $class::spec()->allowed, self::classes()) + self::JOINS;
    }

    /** @return array<string, array{title: string, field: string, first: mixed, choices: list<array{string, mixed}>}> by key, for the interface */
    public static function toArray(): array
    {
        return array_map(static fn (string $class): array => $class::spec()->toArray(), self::classes());
    }
}

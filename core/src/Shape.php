<?php

declare(strict_types=1);

namespace Jactonic\Core;

/**
 * Shapes of data that goes over the wire, as JSON Schema (draft 2020-12) says them: an array that is encoded as it is.
 *
 * @phpstan-type Schema array<string, mixed>
 */
final class Shape
{
    /** Where the named shapes stand in the document that holds them all. */
    public const NAMED = '#/components/schemas/';

    /** @return Schema */
    public static function whole(?int $min = null, ?int $max = null): array
    {
        return ['type' => 'integer'] + self::limits($min, $max);
    }

    /** @return Schema */
    public static function number(?float $min = null, ?float $max = null): array
    {
        return ['type' => 'number'] + self::limits($min, $max);
    }

    /** @return Schema */
    public static function text(): array
    {
        return ['type' => 'string'];
    }

    /** @return Schema */
    public static function flag(): array
    {
        return ['type' => 'boolean'];
    }

    /** @return Schema what is always `true` where it is there */
    public static function yes(): array
    {
        return ['const' => true];
    }

    /** @return Schema */
    public static function any(): array
    {
        return ['description' => 'Anything.'];
    }

    /**
     * @param  list<string|int|float>  $values
     * @return Schema one of some values
     */
    public static function oneOf(array $values): array
    {
        return (array_filter($values, is_string(...)) === $values ? ['type' => 'string'] : []) + ['enum' => $values];
    }

    /**
     * @param  Schema  ...$shapes
     * @return Schema
     */
    public static function either(array ...$shapes): array
    {
        return ['anyOf' => array_values($shapes)];
    }

    /**
     * @param  Schema  $shape
     * @return Schema
     */
    public static function nullable(array $shape): array
    {
        return self::either($shape, ['type' => 'null']);
    }

    /**
     * @param  Schema  $items
     * @return Schema
     */
    public static function list(array $items, ?int $count = null): array
    {
        return ['type' => 'array', 'items' => $items] + ($count === null ? [] : ['minItems' => $count, 'maxItems' => $count]);
    }

    /**
     * @param  Schema  ...$items
     * @return Schema a list with a meaning for each place
     */
    public static function row(array ...$items): array
    {
        return ['type' => 'array', 'prefixItems' => array_values($items), 'items' => false, 'minItems' => count($items)];
    }

    /**
     * @param  Schema  $values
     * @return Schema an object with any names
     */
    public static function map(array $values): array
    {
        return ['type' => 'object', 'additionalProperties' => $values];
    }

    /**
     * @param  array<string, Schema>  $always
     * @param  array<string, Schema>  $sometimes  what may be left out
     * @return Schema an object with these names and no others
     */
    public static function object(array $always, array $sometimes = []): array
    {
        $names = $always + $sometimes;

        return ['type' => 'object', 'properties' => $names === [] ? (object) [] : $names, 'required' => array_keys($always), 'additionalProperties' => false];
    }

    /** @return Schema another shape, by its name */
    public static function named(string $name): array
    {
        return ['$ref' => self::NAMED.$name];
    }

    /**
     * @param  Schema  $shape
     * @return Schema the same with words
     */
    public static function told(string $words, array $shape): array
    {
        // Beside a name words would say nothing.
        return isset($shape['$ref']) ? ['allOf' => [$shape], 'description' => $words] : ['description' => $words] + $shape;
    }

    /** @return array<string, int|float> */
    private static function limits(int|float|null $min, int|float|null $max): array
    {
        return array_filter(['minimum' => $min, 'maximum' => $max], static fn (int|float|null $limit): bool => $limit !== null);
    }
}

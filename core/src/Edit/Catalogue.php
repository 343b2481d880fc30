<?php

declare(strict_types=1);

namespace Jactonic\Core\Edit;

use Jactonic\Core\Refusal;

/**
 * All edits there are: the classes in the folders of the families beside it that are edits. The class name in kebab-case is
 * the id, so that one edit can be reached without loading the rest. (To look at its own source is the one thing for which
 * the core reads a folder.)
 */
final class Catalogue
{
    /** Where an edit is looked for first: to look through all folders takes ten times as long. */
    private const FOLDERS = ['Timing', 'Pitch', 'Velocity', 'Length', 'Structure', 'Harmony', 'Expression', 'Lane', 'Part', 'Track', 'Tempo', 'Song'];

    /** @var array<string, class-string<Edit>>|null */
    private static ?array $classes = null;

    /** @var array<string, string>|null the present ids by former ones */
    private static ?array $former = null;

    /** @throws Refusal when there is no such edit */
    public static function edit(string $id): Edit
    {
        $class = self::$classes[$id] ?? self::find($id) ?? self::classes()[self::current($id)] ?? throw Refusal::parameter('edit', $id, 'one of '.implode(', ', array_keys(self::classes())));

        return new $class;
    }

    /** The id that an edit has now, by any that it had; what no edit was ever called is given back. */
    public static function current(string $id): string
    {
        if (isset(self::$classes[$id]) || self::find($id) !== null) {
            return $id;
        }
        self::$former ??= Spec::former(self::specs());

        return self::$former[$id] ?? $id;
    }

    /**
     * One of them, without the others being looked for.
     *
     * @return class-string<Edit>|null
     */
    private static function find(string $id): ?string
    {
        $name = str_replace(' ', '', ucwords(str_replace('-', ' ', $id)));
        if (preg_match('/^[A-Za-z0-9]+$/', $name) !== 1) {
            return null;
        }
        foreach (self::FOLDERS as $folder) {
            if (is_file(__DIR__."/$folder/$name.php")) {
                return self::named([__DIR__."/$folder/$name.php"])[$id] ?? null;
            }
        }

        return self::classes()[$id] ?? null;
    }

    /** @return list<Spec> by family, then by id */
    public static function specs(): array
    {
        $specs = array_map(static fn (string $class): Spec => $class::spec(), array_values(self::classes()));
        $order = array_flip(array_map(static fn (Family $f): string => $f->value, Family::cases()));
        usort($specs, static fn (Spec $a, Spec $b): int => $order[$a->family->value] <=> $order[$b->family->value] ?: $a->id <=> $b->id);

        return $specs;
    }

    /** @return array<string, class-string<Edit>> by id */
    public static function classes(): array
    {
        return self::$classes ??= self::named(glob(__DIR__.'/*/*.php') ?: []);
    }

    /**
     * @param  list<string>  $files
     * @return array<string, class-string<Edit>> by id
     */
    private static function named(array $files): array
    {
        $classes = [];
        foreach ($files as $file) {
            $name = basename($file, '.php');
            $class = __NAMESPACE__.'\\'.basename(dirname($file)).'\\'.$name;
            if (is_subclass_of($class, Edit::class)) {
                $classes[strtolower((string) preg_replace('/(?<!^)[A-Z]/', '-$0', $name))] = $class;
            }
        }

        return $classes;
    }
}

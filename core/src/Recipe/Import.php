<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

/**
 * Recipes of a file that come into a book, with what to do where one of their key or name is there already: both are kept,
 * or the one that is there is replaced. One that is there exactly as it is needs neither.
 */
final readonly class Import
{
    /**
     * @param  list<Recipe>  $recipes  as they are to be kept
     * @param  list<Recipe>  $replaced  of the book, as they were
     */
    private function __construct(public array $recipes, public array $replaced)
    {
    }

    /**
     * The recipes of the book that are in the way.
     *
     * @param  list<Recipe>  $file
     * @return list<Recipe>
     */
    public static function taken(array $file, Book $book): array
    {
        $taken = [];
        foreach ($file as $recipe) {
            $there = self::like($recipe, $book);
            if ($there !== null && $there->toArray() != $recipe->toArray()) {
                $taken[$there->key] = $there;
            }
        }

        return array_values($taken);
    }

    /** @param  list<Recipe>  $file */
    public static function beside(array $file, Book $book): self
    {
        $keys = array_fill_keys(array_keys($book->recipes), true);
        $names = [];
        foreach ($book->recipes as $recipe) {
            $names[mb_strtolower($recipe->name)] = true;
        }
        $renamed = $made = [];
        foreach ($file as $recipe) {
            $there = self::like($recipe, $book);
            if ($there !== null && $there->toArray() == $recipe->toArray()) {
                continue;
            }
            for ($key = $recipe->key, $i = 2; isset($keys[$key]); $i++) {
                $key = "$recipe->key-$i";
            }
            for ($name = $recipe->name, $i = 2; isset($names[mb_strtolower($name)]); $i++) {
                $name = mb_substr($recipe->name, 0, 74)." ($i)";
            }
            $keys[$key] = $names[mb_strtolower($name)] = true;
            $renamed[$recipe->key] = $key;
            $made[] = $recipe->withKey($key)->withName($name);
        }

        return new self(array_map(static fn (Recipe $r): Recipe => $r->running($renamed), $made), []);
    }

    /** @param  list<Recipe>  $file */
    public static function instead(array $file, Book $book): self
    {
        $renamed = [];
        foreach ($file as $recipe) {
            $renamed[$recipe->key] = (self::like($recipe, $book) ?? $recipe)->key;
        }

        return new self(array_map(static fn (Recipe $r): Recipe => $r->withKey($renamed[$r->key])->running($renamed), $file), self::taken($file, $book));
    }

    /** The recipe of a book with the key of another, else with its name. */
    private static function like(Recipe $recipe, Book $book): ?Recipe
    {
        return $book->recipes[$recipe->key] ?? $book->named($recipe->name);
    }
}

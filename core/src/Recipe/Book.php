<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

use Jactonic\Core\Refusal;

/** The recipes that there are, so that one can run another. */
final class Book
{
    /** The most recipes that a file may hold. */
    public const MOST = 2000;

    /** @var array<string, Recipe> by key */
    public readonly array $recipes;

    /** @var array<string, Recipe>|null by name in small letters */
    private ?array $names = null;

    /** @param  list<Recipe>  $recipes  of several with one key the last counts */
    public function __construct(array $recipes = [])
    {
        $this->recipes = array_combine(array_map(static fn (Recipe $r): string => $r->key, $recipes), $recipes);
    }

    /**
     * What a file of recipes holds: one recipe, or {"kind": "recipes", "recipes": […]}.
     *
     * @return non-empty-list<Recipe>
     *
     * @throws Refusal that says what is wrong in it
     */
    public static function read(mixed $file): array
    {
        if (! is_array($file) || ! isset($file['steps']) && ($file['kind'] ?? null) !== 'recipes') {
            throw new Refusal('This is no file of recipes: a file that was saved here holds a recipe with its steps, or several.', 'file');
        }
        $list = ($file['kind'] ?? null) === 'recipes' ? $file['recipes'] ?? null : [$file];
        if (is_array($list) && count($list) > self::MOST) {
            throw new Refusal(sprintf('This file holds %s recipes; a file may hold %s at most. Nothing was imported.', number_format(count($list)), number_format(self::MOST)), 'file');
        }
        if (! is_array($list) || ! array_is_list($list) || $list === []) {
            throw Refusal::parameter('file', $file, Recipe::ALLOWED.' or {"kind": "recipes", "recipes": […]}');
        }

        return array_map(Recipe::fromArray(...), $list);
    }

    /** @throws Refusal when there is no such recipe */
    public function find(string $key): Recipe
    {
        return $this->recipes[$key] ?? throw new Refusal(sprintf('There is no recipe “%s”.', $key), 'recipe');
    }

    /** The recipe of a name, in whatever letters; null where there is none. */
    public function named(string $name): ?Recipe
    {
        if ($this->names === null) {
            $this->names = [];
            foreach ($this->recipes as $recipe) {
                $this->names[mb_strtolower($recipe->name)] = $recipe;
            }
        }

        return $this->names[mb_strtolower($name)] ?? null;
    }

    public function with(Recipe $recipe): self
    {
        return new self([...array_values(array_diff_key($this->recipes, [$recipe->key => true])), $recipe]);
    }

    /**
     * Checks that all recipes that some run are there, and that none comes back to itself.
     *
     * @throws Refusal that names what is missing, or the way round
     */
    public function check(Recipe ...$recipes): void
    {
        $book = new self([...array_values($this->recipes), ...array_values($recipes)]);
        $done = [];
        foreach ($recipes as $recipe) {
            self::follow($recipe, [], $book, $done);
        }
    }

    /**
     * @param  array<string, string>  $way  names by key
     * @param  array<string, true>  $done  keys of those that were followed to their ends
     */
    private static function follow(Recipe $recipe, array $way, self $book, array &$done): void
    {
        if (isset($way[$recipe->key])) {
            throw new Refusal(sprintf('A recipe cannot run itself: %s.', implode(' → ', array_map(static fn (string $n): string => "“{$n}”", [...array_values($way), $recipe->name]))), 'steps');
        }
        if (isset($done[$recipe->key])) {
            return;
        }
        foreach ($recipe->runs() as $key) {
            self::follow($book->find($key), $way + [$recipe->key => $recipe->name], $book, $done);
        }
        $done[$recipe->key] = true;
    }
}

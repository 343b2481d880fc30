<?php

declare(strict_types=1);

namespace Jactonic\Core\Recipe;

use Jactonic\Core\Refusal;

/** The recipes that there are, so that one can run another. */
final readonly class Book
{
    /** @var array<string, Recipe> by key */
    public array $recipes;

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

    public function with(Recipe $recipe): self
    {
        return new self([...array_values(array_diff_key($this->recipes, [$recipe->key => true])), $recipe]);
    }

    /**
     * Checks that all recipes that one runs are there, and that none comes back to itself.
     *
     * @throws Refusal that names what is missing, or the way round
     */
    public function check(Recipe $recipe): void
    {
        $this->follow($recipe, [], $this->with($recipe));
    }

    /** @param  array<string, string>  $way  names by key */
    private function follow(Recipe $recipe, array $way, self $book): void
    {
        if (isset($way[$recipe->key])) {
            throw new Refusal(sprintf('A recipe cannot run itself: %s.', implode(' → ', array_map(static fn (string $n): string => "“{$n}”", [...array_values($way), $recipe->name]))), 'steps');
        }
        foreach ($recipe->runs() as $key) {
            $this->follow($book->find($key), $way + [$recipe->key => $recipe->name], $book);
        }
    }
}

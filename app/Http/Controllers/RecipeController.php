<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Download;
use App\Http\ImportConflict;
use App\Keys\KeySets;
use App\Models\Recipe;
use App\Songs\Transaction;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Jactonic\Core\Recipe\Book;
use Jactonic\Core\Recipe\Import;
use Jactonic\Core\Recipe\Recipe as CoreRecipe;
use Jactonic\Core\Recipe\Recording;
use Jactonic\Core\Refusal;

/** Recipes: a person's own commands. */
final class RecipeController
{
    public function index(): JsonResponse
    {
        return new JsonResponse(['recipes' => self::all()]);
    }

    /** Keeps a new recipe. Where its key is taken, it gets another. */
    public function store(Request $request): JsonResponse
    {
        $asked = CoreRecipe::fromArray($request->json('recipe'));
        $recipe = Transaction::whole(static function () use ($asked): CoreRecipe {
            $recipe = $asked;
            $book = Recipe::book();
            for ($i = 2; Recipe::withTrashed()->where('key', $recipe->key)->exists(); $i++) {
                $recipe = $asked->withKey("$asked->key-$i");
            }
            $book->check($recipe);
            Recipe::keep($recipe);

            return $recipe;
        });

        return new JsonResponse(['recipe' => $recipe->toArray(), 'recipes' => self::all()], 201);
    }

    public function update(string $recipe, Request $request): JsonResponse
    {
        $core = Transaction::whole(static function () use ($recipe, $request): CoreRecipe {
            $kept = Recipe::query()->where('key', $recipe)->firstOrFail();
            $core = CoreRecipe::fromArray($request->json('recipe'))->withKey($kept->key);
            Recipe::book()->check($core);
            Recipe::keep($core);

            return $core;
        });

        return new JsonResponse(['recipe' => $core->toArray(), 'recipes' => self::all()]);
    }

    /** Puts a recipe away, and the keys that stand for it: `restore` brings back both. */
    public function destroy(string $recipe): JsonResponse
    {
        Transaction::whole(static function () use ($recipe): void {
            $kept = Recipe::query()->where('key', $recipe)->firstOrFail();
            foreach (Recipe::book()->recipes as $other) {
                if ($other->key !== $recipe && in_array($recipe, $other->runs(), true)) {
                    throw new Refusal("“{$other->name}” runs this recipe; change that one first.");
                }
            }
            $kept->bound = KeySets::unbind('recipe', ['recipe' => $recipe]);
            $kept->save();
            $kept->delete();
        });

        return $this->index();
    }

    /** Brings back a recipe that was put away, with its keys where nothing else took them. */
    public function restore(string $recipe): JsonResponse
    {
        Transaction::whole(static function () use ($recipe): void {
            $kept = Recipe::onlyTrashed()->where('key', $recipe)->firstOrFail();
            $kept->restore();
            KeySets::bind($kept->bound ?? []);
        });

        return $this->index();
    }

    /** Steps out of what was done, repeats folded. */
    public function fold(Request $request): JsonResponse
    {
        $steps = $request->json('steps');
        if (! is_array($steps) || ! array_is_list($steps)) {
            throw Refusal::parameter('steps', $steps, 'a list of steps');
        }

        return new JsonResponse(['steps' => Recording::fold(array_values(array_filter($steps, is_array(...))))]);
    }

    /**
     * Brings in a file of one recipe or of several; all of them or none. Where one of a key or name is there, `as` says
     * whether both are kept or that is replaced: then `replaced` is how it was, to be put back by `update`.
     *
     * @throws ImportConflict where one is there and `as` is left out
     */
    public function import(Request $request): JsonResponse
    {
        $recipes = Book::read($request->json('file'));
        $as = ImportConflict::how($request->json('as'));
        $in = Transaction::whole(static function () use ($recipes, $as): Import {
            $book = Recipe::book();
            $taken = Import::taken($recipes, $book);
            if ($taken !== [] && $as === null) {
                throw new ImportConflict(array_map(static fn (CoreRecipe $r): string => $r->name, $taken));
            }
            $in = $as === 'replace' ? Import::instead($recipes, $book) : Import::beside($recipes, $book);
            $book->check(...$in->recipes);
            foreach ($in->recipes as $recipe) {
                Recipe::keep($recipe);
            }

            return $in;
        });
        $count = count($recipes) === 1 ? '1 recipe' : count($recipes).' recipes';

        return new JsonResponse(['said' => "$count imported.", 'recipes' => self::all(), 'replaced' => array_map(static fn (CoreRecipe $r): array => $r->toArray(), $in->replaced)], 201);
    }

    public function export(string $recipe): Response
    {
        $core = Recipe::query()->where('key', $recipe)->firstOrFail()->toCore();

        return self::file("$core->name.recipe.json", [$core]);
    }

    public function exportAll(): Response
    {
        return self::file('Recipes.recipe.json', array_values(Recipe::book()->recipes));
    }

    /** @param  list<CoreRecipe>  $recipes */
    private static function file(string $name, array $recipes): Response
    {
        $data = count($recipes) === 1 ? $recipes[0]->toArray() : ['kind' => 'recipes', 'recipes' => array_map(static fn (CoreRecipe $r): array => $r->toArray(), $recipes)];

        return Download::json($name, json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRETTY_PRINT));
    }

    /** @return list<array<string, mixed>> */
    private static function all(): array
    {
        return array_map(static fn (CoreRecipe $r): array => $r->toArray(), array_values(Recipe::book()->recipes));
    }
}

import { request } from '../../api/client';
import type { RecipeData } from '../../contract';
import { commands } from '../../keys/commands.svelte';
import { keys } from '../../keys/keys.svelte';
import { taken } from '../import-conflict.svelte';

function took(recipes: RecipeData[]): void {
    commands.recipes = recipes;
    keys.version++;
}

/** Keeps a recipe, as a new one or in the place of the one with its key. */
export async function keepRecipe(recipe: RecipeData): Promise<RecipeData> {
    const kept = await (recipe.key
        ? request('PUT', `recipes/${recipe.key}`, { recipe })
        : request('POST', 'recipes', { recipe }));
    took(kept.recipes);
    return kept.recipe;
}

/** Deletes a recipe, and with it the keys that stand for it. */
export async function removeRecipe(recipe: RecipeData): Promise<void> {
    took((await request('DELETE', `recipes/${recipe.key}`)).recipes);
    await keys.ask('GET', 'key-sets');
}

/** Brings back a recipe that was deleted, and the keys that stood for it. */
export async function restoreRecipe(recipe: RecipeData): Promise<void> {
    took((await request('POST', `recipes/${recipe.key}/restore`)).recipes);
    await keys.ask('GET', 'key-sets');
}

/**
 * Brings in a file of recipes. Where one of a name is there, it is asked what is to become of it.
 *
 * @returns what the server says of it, and the recipes that were replaced, as they were; null where nothing was brought in
 */
export async function bringRecipes(file: File): Promise<{ said: string; replaced: RecipeData[] } | null> {
    let data: unknown;
    try {
        data = JSON.parse(await file.text());
    } catch {
        throw new Error(`${file.name} is no recipe: it is not JSON. Nothing was changed.`);
    }
    const brought = await taken.bring((as) =>
        request('POST', 'recipes/import', {
            file: data,
            ...(as ? { as } : {}),
        }),
    );
    if (brought) took(brought.recipes);
    return brought;
}

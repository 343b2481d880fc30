import type { RecipeStep } from '../../contract';
import { commands, paramWords, valueWords } from '../../keys/commands.svelte';

/** A step as a sentence: "Transpose: semitones 7". */
export function stepWordsOf(step: RecipeStep): string {
    if (step.edit) {
        const spec = commands.find(step.edit);
        return `${spec?.title ?? step.edit}${spec ? paramWords(spec, step.params ?? {}) : ''}`;
    }
    if (step.select) return commands.title('select', { move: step.select });
    if (step.set)
        return `Until the end: ${Object.entries(step.set)
            .map(([name, value]) => `${name} ${valueWords(value)}`)
            .join(', ')}`;
    return `Run “${commands.recipes.find((r) => r.key === step.recipe)?.name ?? step.recipe}”`;
}

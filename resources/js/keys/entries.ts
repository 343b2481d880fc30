import type { Param, Spec } from '../api/types';
import type { RecipeData } from '../contract';

/** A command as a person looks for it: with some parameters given, and some to be asked for. */
export interface Entry {
    id: string;
    command: string;
    params: Record<string, unknown>;
    title: string;
    group: string;
    about: string;
    words: string[];
    needs: Spec['needs'];
    contexts: string[];
    ask: Param[];
}

/** Every command as it can be looked for. */
export function entriesOf(specs: readonly Spec[], recipes: readonly RecipeData[], edits: ReadonlySet<string>): Entry[] {
    const entries: Entry[] = [];
    for (const spec of specs) {
        const { id: command, group, about, needs, contexts } = spec;
        const common = { command, group, about, needs, contexts };
        const add = (title: string, params: Record<string, unknown>, words: string[], ask: Param[] = []): void => {
            entries.push({ ...common, id: keyOf(command, params, ask), params, title, words, ask });
        };
        for (const f of spec.forms) add(f.title, f.params, [...(f.words ?? []), ...spec.words]);
        if (command === 'set') for (const p of spec.params) add(p.title, {}, spec.words, [p]);
        else if (command === 'recipe')
            for (const r of recipes) add(r.name, { recipe: r.key }, [...spec.words, 'recipe']);
        else if (spec.asked && !spec.formsOnly && !spec.params.some((p) => p.hidden && !p.optional))
            add(spec.title, {}, spec.words, edits.has(command) ? spec.params.filter((p) => !p.hidden) : []);
    }
    return entries;
}

/** A command and its parameters as one text, the same for the same. */
export function keyOf(command: string, params: Record<string, unknown>, ask: Param[] = []): string {
    const sorted = Object.entries(params).sort(([a], [b]) => (a < b ? -1 : 1));
    return `${command} ${JSON.stringify(sorted)}${ask.map((p) => `?${p.name}`).join('')}`;
}

export function same(a: Record<string, unknown>, b: Record<string, unknown>): boolean {
    return keyOf('', a) === keyOf('', b);
}

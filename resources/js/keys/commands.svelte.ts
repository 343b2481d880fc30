import type { ArticulationSet } from '../contract';
import type { Binding, Param, Setup, Spec } from '../api/types';
import type { RecipeData } from '../contract';
import { entriesOf, same, type Entry } from './entries';

export { keyOf, same, type Entry } from './entries';

/** All commands, as the server's catalogue has them, and the recipes among them. */
class Commands {
    specs: Spec[] = [];
    edits = new Set<string>();
    recipes = $state.raw<RecipeData[]>([]);
    /** Names of sounds, their families, and kits of drums by program. */
    programs: string[] = [];
    families: string[] = [];
    kits: Record<string, string> = {};
    /** Names of controllers by number, where the standard names them. */
    controllers: Record<string, string> = {};
    /** Sets of articulations that ship. */
    articulations: ArticulationSet[] = [];
    /** The shortcuts as they ship. */
    defaults: Binding[] = [];
    /** Lines that may be typed, by page. */
    examples: Record<string, string[]> = {};
    /** What notes can be asked about, by its key. */
    conditions: Setup['conditions'] = {};
    /** Ticks to a quarter. */
    ppq = 0;
    private byId = new Map<string, Spec>();

    start(setup: Setup): void {
        this.specs = setup.commands;
        this.ppq = setup.ppq;
        this.articulations = setup.articulations;
        this.examples = setup.examples;
        this.defaults = setup.defaults;
        this.conditions = setup.conditions;
        this.controllers = setup.controllers;
        [this.programs, this.families, this.kits] = [setup.programs, setup.families, setup.kits];
        this.edits = new Set(setup.edits);
        this.recipes = setup.recipes;
        this.byId = new Map(setup.commands.map((s) => [s.id, s]));
    }

    find(id: string): Spec | undefined {
        return this.byId.get(id);
    }

    /** Whether the same things are selected after an edit: then what is typed after it need not wait. */
    keepsSelection(edit: string, params: Record<string, unknown> = {}): boolean {
        const spec = this.find(edit);
        return spec?.keeps === true && !spec.selectsWith.some((flag) => params[flag]);
    }

    /** What is shown for a command with parameters: the title of its form, or its own with them. */
    title(command: string, params: Record<string, unknown>): string {
        if (command === 'recipe') return this.recipes.find((r) => r.key === params.recipe)?.name ?? 'A recipe';
        const spec = this.find(command);
        if (!spec) return command;
        const form = spec.forms.find((f) => same(f.params, params));
        return form?.title ?? `${spec.title}${paramWords(spec, params)}`;
    }

    /** Every command as it can be looked for. */
    entries(): Entry[] {
        return entriesOf(this.specs, this.recipes, this.edits);
    }
}

/** Parameters in words: ": semitones 7". */
export function paramWords(spec: Spec, params: Record<string, unknown>): string {
    const words = Object.entries(params).map(([name, value]) => {
        const title =
            spec.params
                .find((p) => p.name === name)
                ?.title.split(',')[0]!
                .toLowerCase() ?? name;
        return `${title} ${valueWords(value)}`;
    });
    return words.length > 0 ? `: ${words.join(', ')}` : '';
}

/** Whether a parameter has to be given. */
export const isNeeded = (p: Param): boolean => p.default === undefined && !p.setting && !p.optional;

/** What may stand for a parameter, as a sentence: "Place: a bar and beat, such as 17.3, or a place of the list." */
export const allowedWords = (p: Param): string => `${p.title}: ${p.screen ?? p.allowed}.`;

export function valueWords(value: unknown): string {
    if (typeof value === 'number' && value < 0) return `−${-value}`;
    if (typeof value === 'object' && value !== null && 'unit' in value) {
        const step = value as unknown as { unit: string; amount?: unknown };
        return step.unit === 'value' ? String(step.amount) : `${String(step.amount ?? 1)} ${step.unit}`;
    }
    return typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
        ? String(value)
        : JSON.stringify(value);
}

/** The shortcuts of a command with these very parameters. */
export function bindingsOf(bindings: readonly Binding[], command: string, params: Record<string, unknown>): Binding[] {
    return bindings.filter((b) => b.command === command && same(b.params, params));
}

export const commands = new Commands();

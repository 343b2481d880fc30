import type { RecipeData, RecipeStep } from '../../contract';
import { conditionOf, pickOf, type Asks, type Condition } from './conditions';

/** A recipe being made or changed. */
export class Draft {
    /** Null where it is not kept yet. */
    readonly key: string | null;
    /** The pick as it came, for one that is nested deeper than the builder shows. */
    readonly cameWith: unknown;
    name = $state('');
    condition = $state.raw<Condition | null>(null);
    steps = $state.raw<RecipeStep[]>([]);
    /** The step whose fields are open; -1 for none. */
    open = $state(-1);

    constructor(
        /** What notes can be asked about. */
        readonly asks: Asks,
        recipe: RecipeData,
    ) {
        this.key = recipe.key ?? null;
        this.cameWith = recipe.pick;
        this.name = recipe.name;
        this.condition = conditionOf(asks, recipe.pick);
        this.steps = recipe.steps;
    }

    get pick(): RecipeData['pick'] {
        return this.condition ? pickOf(this.condition) : (this.cameWith as RecipeData['pick']);
    }

    get recipe(): RecipeData {
        return {
            name: this.name.trim() || 'Untitled',
            pick: this.pick,
            steps: this.steps,
            ...(this.key ? { key: this.key } : {}),
        };
    }

    set(i: number, step: RecipeStep): void {
        this.steps = this.steps.map((s, k) => (k === i ? step : s));
    }

    move(i: number, by: number): void {
        const to = i + by;
        if (to < 0 || to >= this.steps.length) return;
        const next = [...this.steps];
        [next[i], next[to]] = [next[to]!, next[i]!];
        this.steps = next;
        if (this.open === i) this.open = to;
    }

    add(step: RecipeStep): void {
        this.steps = [...this.steps, step];
        this.open = this.steps.length - 1;
    }

    again(i: number): void {
        this.steps = [...this.steps.slice(0, i + 1), this.steps[i]!, ...this.steps.slice(i + 1)];
    }

    remove(i: number): void {
        this.steps = this.steps.filter((_, k) => k !== i);
    }
}

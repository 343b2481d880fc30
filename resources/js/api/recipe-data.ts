/** A filter of notes, as the core reads it. */
export type PickData = Record<string, unknown>;

/** A condition of notes: its words, its field, and what holds at first. */
export interface ConditionSpec {
    title: string;
    field: 'range' | 'choice' | 'number' | 'yes' | 'every' | 'span';
    first: unknown;
    choices: [string, unknown][];
}

export interface RecipeStep {
    edit?: string;
    params?: Record<string, unknown>;
    select?: string | Record<string, unknown>;
    how?: string;
    set?: Record<string, unknown>;
    recipe?: string;
    off?: boolean;
}

export interface RecipeData {
    kind?: 'recipe';
    key?: string;
    name: string;
    pick: PickData | null;
    steps: RecipeStep[];
}

/** A filter of notes, as the core reads it. */
export type PickData = Record<string, unknown>;

/** A condition of notes: its words, its field, and what holds at first. */
export interface ConditionSpec {
    title: string;
    field: 'range' | 'choice' | 'number' | 'yes' | 'every' | 'span';
    first: unknown;
    choices: [string, unknown][];
}

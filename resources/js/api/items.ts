import type { Answer, Clip, Command, Context } from './types';

/** Told whether a command that went alone is kept, and its answer where that was not lost. */
export type Done = (kept: boolean, answer: Answer | null) => void;

/** What waits to be sent. Commands that wait travel together; `one` is a list that is a single step. */
export type Item =
    | { kind: 'ask'; ask: () => Promise<void>; join?: (next: Item) => boolean }
    | { kind: 'later'; run: () => void; afterAll?: boolean }
    | { kind: 'do'; command: Command; keeps: boolean; alone?: { key: string; done: Done }; quiet?: () => void }
    | { kind: 'one'; commands: Command[] }
    | { kind: 'undo' | 'redo' }
    | { kind: 'steps'; step: number | null };

/** A batch with the key by which the server knows it, and what it was sent as: meant for the notes chosen then. */
export interface Sealed {
    batch: Item[];
    key: string;
    body?: [string, Record<string, unknown>];
    /** Caret, pointer and span as they were when it was typed, where they were changed since. */
    where?: Context;
    /** The choice that it was typed with: one made later is not undone by its answer. */
    version: number;
    /** How often the caret had been put somewhere: an answer takes it along only where nothing has put it elsewhere since. */
    caret: number;
}

/** Whether the same notes are chosen after it. */
export function keepsChoice(item: Item): boolean {
    return item.kind === 'do' && (item.alone !== undefined || item.quiet !== undefined || item.keeps);
}

/** Whether two commands may travel in one request. */
export function goTogether(a: Item, b: Item): boolean {
    return a.kind !== 'do' || b.kind !== 'do' || (!a.alone && !b.alone && !a.quiet === !b.quiet);
}

export type Carried = (clip: Clip, inSpan: boolean) => void;

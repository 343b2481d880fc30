import { counted } from '../rules/counted';
import type { Part } from './part.svelte';

/** What is said of a part that is opened; of an empty one, what to do next. */
export function opened({ name, notes }: Part): string {
    if (notes.size === 0)
        return `${name} is empty. A double click puts a note in; the keys below write at the caret, take the pen, and record.`;
    return `${name}: ${counted(notes.size, 'note')}.`;
}

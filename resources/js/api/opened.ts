import { counted } from '../rules/counted';
import type { Part } from './part.svelte';

/** What is heard of a part that is not as it is written: what it plays as, how far it loops, whether it is muted. */
export function heardAs({ head, lines }: Part): string[] {
    const { plays } = head;
    return [
        plays?.words ? `plays ${plays.words}` : '',
        plays && plays.until > (head.to ?? 0) ? `loops to bar ${lines.barAt(plays.until - 1).index + 1}` : '',
        head.muted ? 'muted' : '',
    ].filter(Boolean);
}

/** What is said of a part that is opened; of an empty one, what to do next. */
export function opened(part: Part): string {
    const { name, notes } = part;
    if (notes.size === 0)
        return `${name} is empty. A double click puts a note in; the keys below write at the caret, take the pen, and record.`;
    return `${[`${name}: ${counted(notes.size, 'note')}`, ...heardAs(part)].join(', ')}.`;
}

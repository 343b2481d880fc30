import type { Requires } from '../api/types';
import { keys } from './keys.svelte';
import { labels } from './strokes';

/** What would give a command what it misses: commands, and what each does. */
const WAYS: Partial<Record<Requires, [command: string, params: Record<string, unknown>, does: string][]>> = {
    notes: [
        ['select', { move: 'all' }, 'selects all'],
        ['select', { move: 'next' }, 'the next note'],
    ],
    parts: [
        ['choose-parts', { which: 'all' }, 'selects all parts'],
        ['choose', { x: 1 }, 'the next one'],
    ],
    tracks: [['choose', { y: 1 }, 'selects a part below']],
};

/** What to press where a command did nothing for want of something, by the person's own keys: "Ctrl A selects all, D the next note." */
export function nextKeys(missing: Requires): string {
    const ways = (WAYS[missing] ?? []).flatMap(([command, params, does]) => {
        const stroke = keys.keysFor(command, params);
        return stroke ? [`${stroke.split(' ').flatMap(labels).join(' ')} ${does}`] : [];
    });
    return ways.length > 0 ? `${ways.join(', ')}.` : '';
}

import type { Binding, Spec } from '../../api/types';
import { commands, same, type Entry } from '../../keys/commands.svelte';
import type { Search } from '../../keys/search';

export const CONTEXTS: [string, string][] = [
    ['roll', 'the roll'],
    ['song', 'the song page'],
    ['songs', 'the list of songs'],
    ['any', 'everywhere'],
    ['keys', 'this page'],
];

/** A shortcut, or a command that has none. */
export interface Row {
    entry: Entry;
    binding: Binding | null;
    params: Record<string, unknown>;
}

/** What is being done to a row: a key given besides, another key, other parameters. */
export type Mode = '' | 'give' | 'move' | 'params';

/** What the rows are narrowed by. */
export interface Narrowed {
    text: string;
    /** A stroke that the shortcut begins with. */
    pressed: string;
    group: string;
    show: string;
    /** The place of the shortcut changed last: it stays in sight, whatever is looked for. */
    touched: string;
}

function bare(spec: Spec): Entry {
    return { ...spec, id: spec.id, command: spec.id, params: {}, ask: [] };
}

/** Every shortcut, and every command that has none. */
export function rowsOf(entries: readonly Entry[], bindings: readonly Binding[]): Row[] {
    const rows: Row[] = [];
    for (const binding of bindings) {
        const exact = entries.find(
            (e) => e.command === binding.command && e.ask.length === 0 && same(e.params, binding.params),
        );
        const spec = commands.find(binding.command);
        const entry = exact ?? entries.find((e) => e.command === binding.command) ?? (spec && bare(spec));
        if (entry) rows.push({ entry, binding, params: binding.params });
    }
    const bound = new Set(rows.map((r) => r.entry));
    for (const entry of entries) if (!bound.has(entry)) rows.push({ entry, binding: null, params: entry.params });
    return rows;
}

export function placeOf(b: { context: string; keys: string }): string {
    return `${b.context} ${b.keys}`;
}

export function idOf(r: Row): string {
    return `${r.entry.id} ${r.binding?.context ?? ''} ${r.binding?.keys ?? ''}`;
}

export function titleOf(r: Row): string {
    return r.binding ? commands.title(r.entry.command, r.binding.params) : r.entry.title;
}

/** A shortcut that does not ship, or a command that ships with keys and lost them. */
export function isChanged(r: Row, defaults: readonly Binding[]): boolean {
    const b = r.binding;
    const ships = (d: Binding): boolean =>
        b
            ? d.context === b.context && d.keys === b.keys && d.command === b.command && same(d.params, b.params)
            : d.command === r.entry.command && same(d.params, r.params);
    return defaults.some(ships) === (b === null);
}

/** The rows to show, the best first where a word is looked for. */
export function narrow(rows: readonly Row[], by: Narrowed, search: Search, defaults: readonly Binding[]): Row[] {
    const typed = by.text.trim().toLowerCase();
    const found = typed === '' ? null : new Map(search.find(by.text).map((e, i) => [e.id, i]));
    const touched = (r: Row): boolean => r.binding !== null && placeOf(r.binding) === by.touched;
    const list = rows.filter((r) => {
        const b = r.binding;
        if (touched(r)) return true;
        if (by.group && r.entry.group !== by.group) return false;
        if (by.pressed) return b !== null && (b.keys === by.pressed || b.keys.startsWith(`${by.pressed} `));
        if (found && !found.has(r.entry.id) && !b?.label.includes(typed)) return false;
        if (by.show === 'bound') return b !== null;
        if (by.show === 'unbound') return b === null;
        return by.show !== 'changed' || isChanged(r, defaults);
    });
    if (!found) return list;
    const rank = (r: Row): number => {
        if (touched(r)) return -2;
        return r.binding?.label.toLowerCase().startsWith(typed) ? -1 : (found.get(r.entry.id) ?? rows.length);
    };
    return list.sort((a, b) => rank(a) - rank(b));
}

/** Whether a title has every word of a label, so that the label need not stand beside it. */
export function says(title: string, label: string): boolean {
    const words = (text: string): string[] => text.toLowerCase().match(/[\p{L}\d/−+%]+/gu) ?? [];
    const there = new Set(words(title));
    return words(label).every((word) => there.has(word));
}

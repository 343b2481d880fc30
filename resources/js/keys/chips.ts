import type { Binding } from '../api/types';
import { labels } from './strokes';

/** Keys that stand together in the strip, with what they do. */
export interface Chip {
    keys: string[];
    shown: string[];
    label: string;
}

const FAMILIES = [
    /Arrow(Up|Down)$/,
    /Arrow(Left|Right)$/,
    /Page(Up|Down)$/,
    /(^|\+)[1-9]$/,
    /(Home|End)$/,
    /(Delete|Backspace)$/,
    /Wheel(Up|Down)$/,
    /(^|\+)[AD]$/,
    /(^|\+)[WS]$/,
];

/** Keys whose sign tells the direction. */
const TELLING = /(Arrow|Page|Wheel)/;

/**
 * Neighbours of one command on keys that belong together become one chip. Of a sequence its first stroke is shown, and
 * its second once the first was pressed (`inside`). With `whole`, sequences stand each for itself, with all their strokes.
 * `word` names what a first stroke leads to, where it is one kind of thing.
 */
export function chips(
    bindings: readonly Binding[],
    inside: boolean,
    whole = false,
    word: (group: Binding[]) => string | null = () => null,
): Chip[] {
    const groups: Binding[][] = [];
    for (const b of bindings) {
        const last = groups.at(-1);
        const family = FAMILIES.findIndex((f) => f.test(b.keys));
        const sequel = !inside && !whole && last !== undefined && first(b) !== b.keys && first(last[0]!) === first(b);
        // On a page that shows all, keys under other modifiers stand apart.
        const held = (keys: string): string => keys.split('+').slice(0, -1).join('+');
        const alike =
            (!whole || (last !== undefined && held(last[0]!.keys) === held(b.keys))) &&
            !(whole && b.keys.includes(' ')) &&
            last?.[0]!.command === b.command &&
            last[0]!.keys.includes('Wheel') === b.keys.includes('Wheel') &&
            (last[0]!.label === b.label || (family >= 0 && FAMILIES[family]!.test(last[0]!.keys)));
        const same = last && (sequel || alike);
        if (same) last.push(b);
        else groups.push([b]);
    }
    return groups.map((group) => ({
        keys: group.map((b) => b.keys),
        shown: whole && first(group[0]!) !== group[0]!.keys ? [labels(group[0]!.keys).join(' ')] : shown(group, inside),
        label:
            !inside && !whole && first(group[0]!) !== group[0]!.keys
                ? (word(group) ?? sequence(group))
                : label(
                      group.map((b) => b.label),
                      TELLING.test(group[0]!.keys),
                  ),
    }));
}

/** Bindings in their order, those together that one first stroke leads to: it does one thing, and stands once. */
export function led(bindings: readonly Binding[]): Binding[][] {
    const all = new Map<string, Binding[]>();
    for (const b of bindings) {
        const alike = all.get(first(b));
        if (alike) alike.push(b);
        else all.set(first(b), [b]);
    }
    return [...all.values()];
}

/** What a first stroke leads to, before it is pressed. */
function sequence(group: Binding[]): string {
    if (group.some((b) => b.command === 'select')) return 'select…';
    if (group.every((b) => b.command === 'panel')) return 'settings of…';
    return `${label(group.map((b) => b.label))}…`;
}

function first(b: Binding): string {
    return b.keys.split(' ')[0]!;
}

function shown(group: Binding[], inside: boolean): string[] {
    const all = [...new Set(group.map((b) => labels(b.keys).at(inside ? -1 : 0)!))].map((k) => k.split(' '));
    // Modifiers that all share are shown once.
    const mods = all[0]!.slice(0, -1).join(' ');
    const names = all.map((k) => k.at(-1)!);
    const joined = names.length > 2 ? `${names[0]}–${names.at(-1)}` : names.join(' ');
    return [mods ? `${mods} ${joined}` : joined];
}

/** What the labels share, said once: "octave up", "octave down" become "octave" on keys that tell the direction. */
function label(all: string[], tells = true): string {
    const distinct = [...new Set(all)];
    if (distinct.length === 1) return distinct[0]!;
    const words = distinct.map((l) => l.split(' '));
    const shortest = Math.min(...words.map((w) => w.length));
    let head = 0;
    while (head < shortest && words.every((w) => w[head] === words[0]![head])) head++;
    if (head > 0) {
        const shared = words[0]!.slice(0, head).join(' ');
        return tells || words.length > 2 || head === shortest
            ? shared
            : `${shared} ${words.map((w) => w.slice(head).join(' ')).join(', ')}`;
    }
    let tail = 0;
    while (tail < shortest - 1 && words.every((w) => w.at(-1 - tail) === words[0]!.at(-1 - tail))) tail++;
    const shared = tail > 0 ? ' ' + words[0]!.slice(-tail).join(' ') : '';
    return words.map((w) => (tail > 0 ? w.slice(0, -tail) : w).join(' ')).join(', ') + shared;
}

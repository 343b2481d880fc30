import type { Binding } from '../api/types';
import { nameAt } from './layout';
import { isMac, SHOWN } from './signs';

export { isMac };

export interface Modifiers {
    mod: boolean;
    alt: boolean;
    shift: boolean;
}

/**
 * A key press in the normal form of the keymap. Letters and signs follow the person's layout; digits stand for their
 * place, so that they are reached where the layout shifts them; where Alt or another script hides the letter, its place
 * counts. Null for what is no stroke: a modifier, or a key with one that belongs to the system.
 *
 * @param sign the name of the key of a sign at a place
 */
export function strokeOf(e: KeyboardEvent, sign: (code: string) => string | undefined = nameAt): string | null {
    if (isMac ? e.ctrlKey : e.metaKey) return null;
    const key = keyOf(e, sign);
    if (key === null) return null;
    const mod = isMac ? e.metaKey : e.ctrlKey;
    return (mod ? 'Mod+' : '') + (e.altKey ? 'Alt+' : '') + (e.shiftKey ? 'Shift+' : '') + key;
}

function keyOf(e: KeyboardEvent, sign: (code: string) => string | undefined): string | null {
    if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock', 'OS', 'Dead'].includes(e.key) && !sign(e.code))
        return null;
    if (/^[a-z]$/i.test(e.key)) return e.key.toUpperCase();
    if (e.code === 'Space') return 'Space';
    // The number block writes digits and signs, or without NumLock moves.
    if (e.code.startsWith('Numpad')) return /^\d$/.test(e.key) ? e.key : (PAD[e.key] ?? e.key);
    const name = sign(e.code);
    if (name) return name;
    const digit = /^Digit(\d)$/.exec(e.code);
    if (digit) return digit[1]!;
    const letter = /^Key([A-Z])$/.exec(e.code);
    return letter ? letter[1]! : e.key;
}

/** Signs of the number block. */
const PAD: Record<string, string> = { '-': 'Minus', '/': 'Slash', '.': 'Period', ',': 'Comma' };

/** A binding's keys as the person's keyboard shows them, one label a key. */
export function labels(keys: string): string[] {
    return keys.split(' ').map((stroke) =>
        stroke
            .split('+')
            .map((k) => SHOWN[k] ?? k)
            .join(isMac ? '' : ' '),
    );
}

/** Finds the command for key presses: by context, then in "any"; remembers the first stroke of two. */
export class Resolver {
    private readonly byContext = new Map<string, Map<string, Binding>>();
    private readonly firsts = new Map<string, Set<string>>();
    private pending = '';

    constructor(readonly bindings: Binding[]) {
        for (const b of bindings) {
            let map = this.byContext.get(b.context);
            if (!map) this.byContext.set(b.context, (map = new Map()));
            map.set(b.keys, b);
            const first = b.keys.split(' ');
            if (first.length > 1) {
                let set = this.firsts.get(b.context);
                if (!set) this.firsts.set(b.context, (set = new Set()));
                set.add(first[0]!);
            }
        }
    }

    /** The first stroke of a sequence that waits for its second; empty when none does. */
    get prefix(): string {
        return this.pending;
    }

    /** The binding that a stroke completes, "wait" when it begins a sequence, or null. */
    press(stroke: string, context: string): Binding | 'wait' | null {
        const keys = this.pending ? `${this.pending} ${stroke}` : stroke;
        this.pending = '';
        for (const c of [context, 'any']) {
            const hit = this.byContext.get(c)?.get(keys);
            if (hit) return hit;
            if (this.firsts.get(c)?.has(keys)) {
                this.pending = keys;
                return 'wait';
            }
        }
        return null;
    }

    /** Whether a single stroke stands for something here. */
    has(stroke: string, context: string): boolean {
        return [context, 'any'].some((c) => this.byContext.get(c)?.has(stroke) === true);
    }

    cancel(): void {
        this.pending = '';
    }

    /** What can be pressed now, in the order of the keymap. */
    available(context: string, held: Modifiers): Binding[] {
        const seen = new Set<string>();
        const out: Binding[] = [];
        for (const c of [context, 'any']) {
            for (const b of this.byContext.get(c)?.values() ?? []) {
                const parts = b.keys.split(' ');
                const stroke = this.pending ? (parts[0] === this.pending ? parts[1] : undefined) : parts[0]!;
                if (stroke === undefined || seen.has(b.keys)) continue;
                if (!this.pending) {
                    const m = stroke.split('+');
                    if (
                        m.includes('Mod') !== held.mod ||
                        m.includes('Alt') !== held.alt ||
                        m.includes('Shift') !== held.shift
                    )
                        continue;
                }
                seen.add(b.keys);
                out.push(b);
            }
        }
        return out;
    }
}

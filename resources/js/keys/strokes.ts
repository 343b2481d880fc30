import type { Binding } from '../api/types';

/** Which key is Mod: Cmd on a Mac, else Ctrl. */
export const isMac = typeof navigator !== 'undefined' && /Mac|iPhone|iPad/.test(navigator.platform);

export interface Modifiers {
    mod: boolean;
    alt: boolean;
    shift: boolean;
}

/**
 * A key press in the normal form of the keymap. Letters follow the person's layout; digits and the key
 * left of the 1 stand for their place, so that they are reached where the layout shifts them; where Alt or another script hides the letter, its place counts.
 */
export function strokeOf(e: KeyboardEvent): string | null {
    const key = keyOf(e);
    if (key === null) return null;
    const mod = isMac ? e.metaKey : e.ctrlKey;
    return (mod ? 'Mod+' : '') + (e.altKey ? 'Alt+' : '') + (e.shiftKey ? 'Shift+' : '') + key;
}

function keyOf(e: KeyboardEvent): string | null {
    if (['Control', 'Shift', 'Alt', 'Meta', 'AltGraph', 'CapsLock'].includes(e.key)) return null;
    if (/^[a-z]$/i.test(e.key)) return e.key.toUpperCase();
    if (e.code === 'Space' || SIGN.test(e.code)) return e.code;
    const digit = /^(?:Digit|Numpad)(\d)$/.exec(e.code);
    if (digit) return digit[1]!;
    const letter = /^Key([A-Z])$/.exec(e.code);
    if (letter && !/^[\p{P}\p{S}]$/u.test(e.key)) return letter[1]!;
    return e.key;
}

/** Keys of signs, which stand for their place. */
const SIGN = /^(Backquote|Minus|Equal|Bracket(Left|Right)|Semicolon|Quote|(Intl)?Backslash|Comma|Period|Slash)$/;

/** A binding's keys as the person's keyboard shows them, one label a key. */
export function labels(keys: string): string[] {
    return keys.split(' ').map((stroke) =>
        stroke
            .split('+')
            .map((k) => SHOWN[k] ?? k)
            .join(isMac ? '' : ' '),
    );
}

export const SHOWN: Record<string, string> = {
    Mod: isMac ? '⌘' : 'Ctrl',
    Alt: isMac ? '⌥' : 'Alt',
    Shift: isMac ? '⇧' : 'Shift',
    ArrowUp: '↑',
    ArrowDown: '↓',
    ArrowLeft: '←',
    ArrowRight: '→',
    Delete: 'Del',
    Escape: 'Esc',
    PageUp: 'PgUp',
    PageDown: 'PgDn',
    Backspace: '⌫',
    Backquote: '`',
    Minus: '-',
    Equal: '=',
    BracketLeft: '[',
    BracketRight: ']',
    Semicolon: ';',
    Quote: "'",
    Backslash: '\\',
    Comma: ',',
    Period: '.',
    Slash: '/',
    IntlBackslash: '<',
    WheelUp: 'wheel ↑',
    WheelDown: 'wheel ↓',
};

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

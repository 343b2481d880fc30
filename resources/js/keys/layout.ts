import { SHOWN, SIGN_OF } from './signs';

/** What a keyboard types without Shift at a place; undefined where that is not known. */
export type TypedAt = (code: string) => string | undefined;

export const SIGNS = Object.keys(SIGN_OF);

const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
/** Places on which signs may stand; digits stand for their place, whatever they type. */
const PLACES = [...SIGNS, ...[...LETTERS].map((l) => `Key${l}`)];

/**
 * Which key stands for which name. A shortcut on a sign follows the sign that the layout types; one whose sign the layout
 * types nowhere keeps its place, or where another sign stands there, takes a place that is left over: each name is one
 * key, on every layout.
 */
export function signKeys(typed: TypedAt): Map<string, string> {
    const keys = new Map<string, string>();
    const left = new Set(SIGNS);
    for (const code of PLACES) {
        const name = SIGNS.find((n) => SIGN_OF[n] === typed(code));
        if (name && left.delete(name)) keys.set(code, name);
    }
    const free = (code: string): boolean => !keys.has(code) && !/^[a-z]$/i.test(typed(code) ?? '');
    for (const name of [...left])
        if (free(name)) {
            keys.set(name, name);
            left.delete(name);
        }
    for (const name of left) {
        const place = SIGNS.find(free);
        if (place) keys.set(place, name);
    }
    return keys;
}

/** What was told or seen of the person's keyboard. */
const known = new Map<string, string>();
let keys = signKeys(() => undefined);

const typed: TypedAt = (code) => known.get(code);

/** The name that the key at a place stands for, where it is one of a sign. */
export function nameAt(code: string): string | undefined {
    return keys.get(code);
}

function learn(): void {
    keys = signKeys(typed);
    for (const name of SIGNS) {
        const code = [...keys].find(([, n]) => n === name)?.[0];
        const sign = code && known.get(code);
        SHOWN[name] = sign && !/^[a-z]$/i.test(sign) ? sign : SIGN_OF[name]!;
    }
}

/** Takes the labels of the person's own keyboard over, where the browser tells them; says whether it does. */
export async function layoutLabels(): Promise<boolean> {
    const keyboard = (navigator as { keyboard?: { getLayoutMap?: () => Promise<Map<string, string>> } }).keyboard;
    const told = (await keyboard?.getLayoutMap?.().catch(() => null)) ?? null;
    if (!told) return false;
    for (const code of PLACES) {
        const sign = told.get(code);
        if (sign) known.set(code, sign);
    }
    learn();
    return true;
}

/** Learns from a press what its key types, where the browser tells nothing of the layout; says whether that is new. */
export function seen(e: Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey' | 'altKey' | 'ctrlKey' | 'metaKey'>): boolean {
    if (e.shiftKey || e.altKey || e.ctrlKey || e.metaKey || [...e.key].length !== 1) return false;
    if (!PLACES.includes(e.code) || known.get(e.code) === e.key) return false;
    known.set(e.code, e.key);
    learn();
    return true;
}

/** The place of a letter or of a sign's name on the person's keyboard. */
export function codeOf(name: string): string {
    if (name in SIGN_OF) return [...keys].find(([, n]) => n === name)?.[0] ?? name;
    if (!/^[A-Z]$/.test(name)) return name;
    for (const l of LETTERS) if (known.get(`Key${l}`)?.toUpperCase() === name) return `Key${l}`;
    return `Key${name}`;
}

/** What stands on the key at a place: "q" at KeyQ, unless the layout has another letter there. */
export function signAt(code: string): string {
    return (
        known.get(code) ?? /^(?:Key|Digit)(.)$/.exec(code)?.[1]?.toLowerCase() ?? SIGN_OF[code] ?? SHOWN[code] ?? code
    );
}

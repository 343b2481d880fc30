import { SHOWN } from './strokes';

/** What the browser tells of a keyboard's layout: the letter or sign at each place. */
interface LayoutMap {
    get(code: string): string | undefined;
}

/** Places that shortcuts name by their standard name, whatever stands on the key. */
export const SIGNS = [
    'Backquote',
    'Minus',
    'Equal',
    'BracketLeft',
    'BracketRight',
    'Semicolon',
    'Quote',
    'Backslash',
    'Comma',
    'Period',
    'Slash',
    'IntlBackslash',
];

let layout: LayoutMap | null = null;

/** Takes the labels of the person's own keyboard over, where the browser tells them. */
export async function layoutLabels(): Promise<boolean> {
    const keyboard = (navigator as { keyboard?: { getLayoutMap?: () => Promise<LayoutMap> } }).keyboard;
    layout = (await keyboard?.getLayoutMap?.().catch(() => null)) ?? null;
    if (!layout) return false;
    for (const code of SIGNS) {
        const sign = layout.get(code);
        if (sign && !/^[a-z]$/i.test(sign)) SHOWN[code] = sign;
    }
    return true;
}

/** The place of a letter on the person's keyboard. */
export function codeOf(letter: string): string {
    for (const l of 'ABCDEFGHIJKLMNOPQRSTUVWXYZ')
        if (layout?.get(`Key${l}`)?.toUpperCase() === letter) return `Key${l}`;
    return `Key${letter}`;
}

/** What stands on the key at a place: "q" at KeyQ, unless the layout has another letter there. */
export function signAt(code: string): string {
    return layout?.get(code) ?? /^(?:Key|Digit)(.)$/.exec(code)?.[1]?.toLowerCase() ?? SHOWN[code] ?? code;
}

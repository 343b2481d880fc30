import { isPressed } from './targets';

/** A key as it was pressed. */
export interface Pressed {
    /** In the normal form of the keymap. */
    stroke: string;
    code: string;
    /** What it writes. */
    key: string;
    repeat: boolean;
}

/** Does to the element that has the keys what a press would have done to it, had it had them then. */
export function typeInto(target: HTMLElement, { stroke, code, key, repeat }: Pressed): void {
    const mods = {
        ctrlKey: stroke.includes('Mod+'),
        altKey: stroke.includes('Alt+'),
        shiftKey: stroke.includes('Shift+'),
    };
    const event = new KeyboardEvent('keydown', { key, code, repeat, bubbles: true, cancelable: true, ...mods });
    if (!target.dispatchEvent(event)) return;
    if (key === 'Tab') return walk(target, mods.shiftKey ? -1 : 1);
    if (target instanceof HTMLSelectElement) return void (!mods.ctrlKey && !mods.altKey && pickBy(target, key));
    const isChecked = target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(target.type);
    if (isPressed(target, stroke) || (isChecked && stroke === 'Space')) return target.click();
    const field = target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement ? target : null;
    if (field && stroke === 'Mod+A') return field.select();
    const isNumber = field?.type === 'number';
    if (isNumber && !mods.ctrlKey && !mods.altKey && (key === 'ArrowUp' || key === 'ArrowDown')) {
        step(field as HTMLInputElement, key === 'ArrowUp' ? 1 : -1);
    } else if (field && key in MOVES) {
        const [way, by] = MOVES[key]!;
        const granularity = mods.ctrlKey && by === 'character' ? 'word' : by;
        getSelection()?.modify(mods.shiftKey ? 'extend' : 'move', way, granularity);
    } else if (key === 'Backspace') document.execCommand('Delete');
    else if (key === 'Delete') document.execCommand('forwardDelete');
    else if (key.length === 1 && !mods.ctrlKey && !mods.altKey) document.execCommand('insertText', false, key);
}

/** A number one step higher or lower; where any number is allowed a step is 1. */
function step(field: HTMLInputElement, by: 1 | -1): void {
    if (field.step === 'any') {
        const least = field.min === '' ? -Infinity : Number(field.min);
        const most = field.max === '' ? Infinity : Number(field.max);
        field.value = String(Math.max(least, Math.min(most, Number(field.value) + by)));
    } else if (by > 0) field.stepUp();
    else field.stepDown();
    changed(field);
}

/** Keys that move the text cursor of a field. */
const MOVES: Record<string, [way: string, by: string]> = {
    ArrowLeft: ['backward', 'character'],
    ArrowRight: ['forward', 'character'],
    Home: ['backward', 'lineboundary'],
    End: ['forward', 'lineboundary'],
};

/** Letters typed into a list less than this apart, in ms, are one word. */
const WORD_MS = 1000;
let typed = { word: '', into: null as HTMLSelectElement | null, at: 0 };

/** Picks an entry of a list as a browser does: the next, the previous, the first, the last, or by its first letters. */
function pickBy(list: HTMLSelectElement, key: string): void {
    const last = list.options.length - 1;
    const now = list.selectedIndex;
    const places: Record<string, number> = { ArrowUp: now - 1, ArrowLeft: now - 1, ArrowDown: now + 1, ArrowRight: now + 1, PageUp: Math.max(0, now - 3), PageDown: Math.min(last, now + 3), Home: 0, End: last }; // prettier-ignore
    let to = places[key] ?? -1;
    if (key.length === 1 && key !== ' ') {
        const time = performance.now();
        const goesOn = typed.into === list && time - typed.at < WORD_MS;
        typed = { word: (goesOn ? typed.word : '') + key.toLowerCase(), into: list, at: time };
        // The same letter again and again goes through all that begin with it.
        const isOne = [...typed.word].every((c) => c === key.toLowerCase());
        const word = isOne ? key.toLowerCase() : typed.word;
        const from = isOne ? now + 1 : Math.max(0, now);
        to =
            Array.from(list.options, (_, i) => i)
                .map((i) => (from + i) % list.options.length)
                .find((i) => list.options[i]!.text.trim().toLowerCase().startsWith(word)) ?? -1;
    }
    if (to < 0 || to > last || to === now) return;
    list.selectedIndex = to;
    changed(list);
}

/** Tells those who listen that a field has another value. */
function changed(field: HTMLElement): void {
    field.dispatchEvent(new Event('input', { bubbles: true }));
    field.dispatchEvent(new Event('change', { bubbles: true }));
}

/** Takes the keys to the next thing that can have them, or the one before it. */
function walk(from: HTMLElement, by: 1 | -1): void {
    const all = [
        ...document.querySelectorAll<HTMLElement>(
            'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea, [tabindex]',
        ),
    ].filter((el) => el === from || (el.tabIndex >= 0 && el.offsetParent !== null));
    all[(all.indexOf(from) + by + all.length) % all.length]?.focus();
}

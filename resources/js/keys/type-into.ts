import { editText, pickBy, pickBeside, stepBy } from './native';
import { isPressed } from './targets';

/** A key as it was pressed. */
export interface Pressed {
    /** In the normal form of the keymap. */
    stroke: string;
    code: string;
    /** What it writes. */
    key: string;
    repeat: boolean;
    /** When it was pressed, in ms since the page was opened. */
    time: number;
}

/** Does to the element that has the keys what a press would have done to it, had it had them then. */
export function typeInto(target: HTMLElement, { stroke, code, key, repeat, time }: Pressed): void {
    const mods = {
        ctrlKey: stroke.includes('Mod+'),
        altKey: stroke.includes('Alt+'),
        shiftKey: stroke.includes('Shift+'),
    };
    const event = new KeyboardEvent('keydown', { key, code, repeat, bubbles: true, cancelable: true, ...mods });
    if (!target.dispatchEvent(event)) return;
    if (key === 'Tab') return walk(target, mods.shiftKey ? -1 : 1);
    const isPlain = !mods.ctrlKey && !mods.altKey;
    if (target instanceof HTMLSelectElement) {
        if (isPlain) pickBy(target, key, time, mods.shiftKey);
    } else if (target instanceof HTMLInputElement && ['checkbox', 'radio'].includes(target.type)) {
        if (stroke === 'Space') target.click();
        else if (isPlain && target.type === 'radio') pickBeside(target, key);
    } else if (target instanceof HTMLInputElement && ['number', 'range'].includes(target.type) && stepBy(target, key))
        return;
    else if (isPressed(target, stroke)) target.click();
    else editText(target, stroke, key);
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

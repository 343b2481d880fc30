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
    if (target instanceof HTMLSelectElement && (key === 'ArrowUp' || key === 'ArrowDown')) {
        const to = target.selectedIndex + (key === 'ArrowUp' ? -1 : 1);
        if (to < 0 || to >= target.options.length) return;
        target.selectedIndex = to;
        target.dispatchEvent(new Event('input', { bubbles: true }));
        target.dispatchEvent(new Event('change', { bubbles: true }));
        return;
    }
    if (target instanceof HTMLButtonElement || target instanceof HTMLAnchorElement) return target.click();
    const text = target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement ? target : null;
    if (text && stroke === 'Mod+A') return text.select();
    if (mods.ctrlKey || mods.altKey) return;
    if (target instanceof HTMLInputElement && target.type === 'number' && (key === 'ArrowUp' || key === 'ArrowDown')) {
        if (key === 'ArrowUp') target.stepUp();
        else target.stepDown();
        target.dispatchEvent(new Event('input', { bubbles: true }));
        target.dispatchEvent(new Event('change', { bubbles: true }));
    } else if (key === 'Backspace' && target instanceof HTMLInputElement) {
        target.value = target.value.slice(0, -1);
        target.dispatchEvent(new Event('input', { bubbles: true }));
    } else if (key.length === 1) document.execCommand('insertText', false, key);
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

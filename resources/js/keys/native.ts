/** What a browser does to a field by its keys, for keys that come to it later than they were pressed. */

/** Which way an arrow goes. */
const WAYS: Record<string, 1 | -1> = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 };

/** Takes a number or a slider one step on, where the key does that, with whatever is held; says whether it does. */
export function stepBy(field: HTMLInputElement, key: string): boolean {
    const way = WAYS[key];
    if (!way || (field.type === 'number' && key !== 'ArrowUp' && key !== 'ArrowDown')) return false;
    const before = field.value;
    if (field.step === 'any') {
        // Where any number is allowed a step is 1.
        const least = field.min === '' ? -Infinity : Number(field.min);
        const most = field.max === '' ? Infinity : Number(field.max);
        field.value = String(Math.max(least, Math.min(most, Number(field.value) + way)));
    } else if (way > 0) field.stepUp();
    else field.stepDown();
    // At its limit nothing is told.
    if (field.value !== before) changed(field);
    return true;
}

/** Picks the next of several of which one holds, or the one before it. */
export function pickBeside(radio: HTMLInputElement, key: string): void {
    const way = WAYS[key];
    if (!way) return;
    const all = [...document.getElementsByName(radio.name)];
    const to =
        all[(all.indexOf(radio) + (key === 'ArrowUp' || key === 'ArrowLeft' ? -1 : 1) + all.length) % all.length];
    to?.focus();
    to?.click();
}

/** Keys that move the text cursor of a field. */
const MOVES: Record<string, [way: string, by: string]> = {
    ArrowLeft: ['backward', 'character'],
    ArrowRight: ['forward', 'character'],
    Home: ['backward', 'lineboundary'],
    End: ['forward', 'lineboundary'],
};

/** Writes into a text, deletes, or moves its cursor. */
export function editText(field: HTMLElement, stroke: string, key: string): void {
    const isText = field instanceof HTMLInputElement || field instanceof HTMLTextAreaElement;
    const isWide = stroke.includes('Mod+');
    const move = MOVES[key];
    if (isText && stroke === 'Mod+A') field.select();
    else if (isText && stroke === 'Mod+Z') document.execCommand('undo');
    else if (isText && (stroke === 'Mod+Shift+Z' || stroke === 'Mod+Y')) document.execCommand('redo');
    else if (field instanceof HTMLInputElement && stroke === 'Enter') commit(field);
    else if (isText && move && !stroke.includes('Alt+')) {
        const by = isWide && move[1] === 'character' ? 'word' : move[1];
        getSelection()?.modify(stroke.includes('Shift+') ? 'extend' : 'move', move[0], by);
    } else if (key === 'Backspace') document.execCommand('Delete');
    else if (key === 'Delete') document.execCommand('forwardDelete');
    else if (key.length === 1 && !isWide && !stroke.includes('Alt+')) document.execCommand('insertText', false, key);
}

/** What was typed is told as a change, as Enter does it; the field keeps the keys, and its cursor. */
function commit(field: HTMLInputElement): void {
    const [from, to] = [field.selectionStart, field.selectionEnd];
    const quietly = (e: Event): void => e.stopImmediatePropagation();
    // A browser tells the change and leaves the keys where they are: nobody is to hear that they went.
    const goes = ['blur', 'focusout'];
    for (const kind of goes) window.addEventListener(kind, quietly, true);
    field.blur();
    for (const kind of goes) window.removeEventListener(kind, quietly, true);
    for (const kind of ['focus', 'focusin']) field.addEventListener(kind, quietly, { capture: true, once: true });
    field.focus({ preventScroll: true });
    if (from !== null) field.setSelectionRange(from, to);
    field.form?.requestSubmit();
}

/** Letters typed into a list less than this apart, in ms, are one word. */
const WORD_MS = 1000;
let typed = { word: '', into: null as HTMLSelectElement | null, at: 0 };

/** Whether a letter typed into a list goes on with the word typed before it. */
const goesOn = (list: HTMLSelectElement, time: number): boolean => typed.into === list && time - typed.at < WORD_MS;

/** Goes on with a word whose beginning came late to a list, of which the browser does not know; says whether there is one. */
export function goesOnWith(e: KeyboardEvent): boolean {
    const list = e.target;
    const writes = e.key.length === 1 && e.key !== ' ' && !e.ctrlKey && !e.altKey && !e.metaKey;
    if (!writes || !(list instanceof HTMLSelectElement) || !goesOn(list, e.timeStamp)) return false;
    pickBy(list, e.key, e.timeStamp);
    return true;
}

/**
 * Picks an entry of a list as a browser does: the next, the previous, the first, the last, or by its first letters.
 * `time` is when the key was pressed, in ms, however late it comes to the list.
 */
export function pickBy(list: HTMLSelectElement, key: string, time: number, isShifted = false): void {
    const last = list.options.length - 1;
    const now = list.selectedIndex;
    // With Shift only letters pick.
    const places: Record<string, number> = isShifted ? {} : { ArrowUp: now - 1, ArrowLeft: now - 1, ArrowDown: now + 1, ArrowRight: now + 1, PageUp: Math.max(0, now - 3), PageDown: Math.min(last, now + 3), Home: 0, End: last }; // prettier-ignore
    let to = places[key] ?? -1;
    if (key.length === 1 && key !== ' ') {
        typed = { word: (goesOn(list, time) ? typed.word : '') + key.toLowerCase(), into: list, at: time };
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

/** What has the keys, and which strokes are for that. */

/** Whether a stroke presses the button that has the focus. */
export function isPressed(target: EventTarget | null, stroke: string): boolean {
    return (
        (stroke === 'Enter' || stroke === 'Space') &&
        target instanceof Element &&
        target.closest('button, a, summary, [role=button]') !== null
    );
}

/** Whether a stroke is for the field or the panel that has the focus. */
export function belongsTo(target: EventTarget | null, stroke: string): boolean {
    // No field takes F1 to F12.
    if (/(^|\+)F\d+$/.test(stroke)) return false;
    // A panel keeps what moves within it; the keys that open panels, undo and the like go on.
    if (isInPanel(target))
        return stroke !== 'Escape' && (!isForPage(stroke) || (isTyping(target) && !stroke.startsWith('Alt+')));
    return isTyping(target);
}

/** Whether a stroke goes on to the page from a panel's button, whatever has the keys in it. */
export const isForPage = (stroke: string): boolean => stroke.startsWith('Alt+') || stroke.startsWith('Mod+');

/** Whether letters mean nothing to a field or button of a panel that has the keys: they may go on to what closes it. */
export function takesNoLetters(target: EventTarget | null): boolean {
    return isInPanel(target) && (!isTyping(target) || (target instanceof HTMLInputElement && target.type === 'number'));
}

/** Whether it is of a panel. */
export function isInPanel(target: EventTarget | null): boolean {
    return target instanceof Element && target.closest('[role=dialog]') !== null;
}

/** Whether it is a field that stands by itself, in no panel: what is typed into it waits for nothing. */
export function isOutside(target: EventTarget | null): boolean {
    return isTyping(target) && !isInPanel(target);
}

function isTyping(target: EventTarget | null): boolean {
    return (
        target instanceof HTMLElement &&
        (target.isContentEditable ||
            target instanceof HTMLTextAreaElement ||
            target instanceof HTMLSelectElement ||
            (target instanceof HTMLInputElement && !['checkbox', 'radio', 'button', 'file'].includes(target.type)))
    );
}

/** A surface that has just come takes the keys, unless a panel was opened meanwhile and is typed into. */
export function takeKeys(surface: HTMLElement): void {
    if (!document.activeElement?.closest('[role=dialog]')) surface.focus({ preventScroll: true });
}

import type { Binding } from '../api/types';

/** Whether one of some strokes may open a panel, or the list of commands: what is typed behind it is for that. */
export function mayOpenPanel(bindings: readonly Binding[], strokes: readonly string[]): boolean {
    const last = new Set(strokes);
    return (
        last.size > 0 &&
        bindings.some((b) => (b.command === 'panel' || b.command === 'commands') && last.has(b.keys.split(' ').at(-1)!))
    );
}

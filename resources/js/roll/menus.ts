import { noteAt } from './gestures/drag';
import { tool } from './pen.svelte';
import type { MenuOf, RollModel } from './roll-model.svelte';

/**
 * The menus of the roll: what the second button, or the menu key, opens where.
 *
 * @param at where an event is among the notes, in pixels
 */
export function menusOf(model: RollModel, at: (e: MouseEvent) => { x: number; y: number }) {
    const { song, part } = model;
    const quiet = (e: MouseEvent): void => {
        e.preventDefault();
        e.stopPropagation();
    };

    return {
        /** With something in hand the second button has its own work. */
        ofNotes(e: MouseEvent): void {
            quiet(e);
            if (tool.name !== 'hand' || model.own.open) return;
            const { x, y } = at(e);
            const hit = noteAt(model.view, part, song.selection.notes, x, y);
            if (hit && !song.selection.notes.has(hit.note.id)) song.select([hit.note.id]);
            model.onMenu({ x: e.clientX, y: e.clientY, on: hit ? 'note' : 'empty' });
        },

        of(on: MenuOf): (e: MouseEvent) => void {
            return (e) => {
                quiet(e);
                model.onMenu({ x: e.clientX, y: e.clientY, on });
            };
        },

        /** The menu key: for what is selected, at the caret. */
        byKey(e: MouseEvent, body: HTMLElement, notes: HTMLElement): void {
            if (e.target !== body) return;
            e.preventDefault();
            const box = notes.getBoundingClientRect();
            const { tick, pitch } = song.caret;
            model.onMenu({
                x: box.left + model.view.x(tick),
                y: box.top + model.view.y(pitch),
                on: song.selection.lane ? 'lane' : song.selection.notes.size > 0 ? 'note' : 'empty',
            });
        },
    };
}

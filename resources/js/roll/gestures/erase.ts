import { keys } from '../../keys/keys.svelte';
import type { Gesture, Touch } from '../../stage/hands';
import { remove } from '../commands/make';
import { tool } from '../pen.svelte';
import type { RollModel } from '../roll-model.svelte';
import { noteAt } from './drag';

/** The eraser, or the second button while the pen is in hand: deletes the notes that it goes over. */
export function erase(model: RollModel): Gesture {
    const { song, part, overlay } = model;
    let last = { x: 0, y: 0 };
    /** Notes that it went over in parts worked on with this one. */
    let beside = new Map<number, Set<number>>();

    function rub(x: number, y: number): void {
        const { view } = model;
        const hit = noteAt(view, part, song.selection.notes, x, y);
        const under =
            !hit && song.selection.inPlace && model.underlay.noteAt(view.tick(x), view.pitch(y), 2 / view.scale);
        if (under) beside.set(under.part.id, new Set([...(beside.get(under.part.id) ?? []), under.note.id]));
        if (!hit || overlay.erased.has(hit.note.id)) return;
        overlay.erased = new Set([...overlay.erased, hit.note.id]);
        model.touch('overlay');
    }

    function end(): void {
        overlay.erased = new Set();
        beside = new Map();
        model.touch('overlay');
    }

    return {
        begin({ x, y, button }: Touch) {
            if (!(tool.name === 'eraser' ? button === 0 : tool.name === 'pen' && button === 2)) return false;
            last = { x, y };
            overlay.erased = new Set();
            rub(x, y);
            return true;
        },
        move({ x, y }) {
            // A fast hand skips over notes: all between two looks are met.
            const steps = Math.max(1, Math.ceil(Math.hypot(x - last.x, y - last.y) / 4));
            for (let i = 1; i <= steps; i++)
                rub(last.x + ((x - last.x) * i) / steps, last.y + ((y - last.y) * i) / steps);
            last = { x, y };
        },
        drop() {
            const command = remove([
                { part: part.id, notes: [...overlay.erased] },
                ...[...beside].map(([id, notes]) => ({ part: id, notes: [...notes] })),
            ]);
            if (overlay.erased.size + beside.size > 0) {
                song.do(command);
                keys.flashFor(command.edit!);
            }
            end();
        },
        cancel: end,
    };
}

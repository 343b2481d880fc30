import type { Part } from '../../api/part.svelte';
import type { ArrangeModel } from '../arrange-model.svelte';

const EDGE = 7;
const EDGED_WIDTH = 24;

export type Grip = 'move' | 'start' | 'end';

/** The sheet at a place, the selected ones first, and which of its edges is there. */
export function partAt(model: ArrangeModel, x: number, y: number): { part: Part; grip: Grip } | null {
    const { song, view } = model;
    const track = song.tracks[Math.floor((y + model.top) / model.row)];
    const tick = view.tick(x);
    const hits = (track?.parts ?? []).filter((part) => {
        const box = model.boxOf(part);
        const top = box.y - model.top;
        return tick >= box.from && tick < box.to && y >= top && y < top + box.h;
    });
    const part = hits.find((p) => song.selection.parts.includes(p.id)) ?? hits.at(-1);
    if (!part) return null;
    const { from, to } = model.boxOf(part);
    const [left, right] = [view.x(from), view.x(to)];
    const wide = right - left >= EDGED_WIDTH;
    return { part, grip: wide && x > right - EDGE ? 'end' : wide && x < left + EDGE ? 'start' : 'move' };
}

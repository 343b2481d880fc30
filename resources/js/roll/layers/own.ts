import { Lane } from '../../rules/lane';
import type { Note } from '../../api/tables';
import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';
import { titleOf } from '../lanes.svelte';
import { curvesOf, type Box } from '../own.svelte';
import type { RollModel } from '../roll-model.svelte';

/** Notes lower than this have no room for a curve. */
const LOW_ROW = 8;

/** On each note that has curves of its own, its bend (else the first of them) as a thin line. */
export function paintCurves(ctx: CanvasRenderingContext2D, view: View, notes: readonly Note[], c: Colours): void {
    if (view.row < LOW_ROW) return;
    ctx.strokeStyle = c.ink;
    ctx.lineWidth = 1.25;
    for (const note of notes) {
        const curves = curvesOf(note);
        const name = 'bend' in curves ? 'bend' : Object.keys(curves)[0];
        if (!name) continue;
        const box = { x: view.x(note.start), y: view.y(note.pitch) + 2, w: note.length * view.scale, h: view.row - 5 };
        // A bend of a semitone is seen, and so is one of an octave.
        trace(ctx, box, note, name, curves[name]!, name === 'bend' ? 3 : 1);
    }
}

/** The note that is opened: paper over it, what it has in one lane, and what is being drawn. */
export function paintOwn(model: RollModel, ctx: CanvasRenderingContext2D): void {
    const { own, colours: c } = model;
    const [box, note] = [own.box, own.open];
    if (!box || !note) return;
    ctx.fillStyle = c.paper;
    ctx.fillRect(box.x, box.y, box.w, box.h);
    ctx.strokeStyle = c.selected;
    ctx.lineWidth = 2;
    ctx.strokeRect(box.x, box.y, box.w, box.h);
    ctx.fillStyle = c.beat;
    for (const share of [0.25, 0.5, 0.75]) ctx.fillRect(box.x + 1, Math.round(box.y + box.h * share), box.w - 2, 1);
    ctx.fillStyle = c.ink;
    ctx.font = `11px ${c.font}`;
    ctx.textBaseline = 'top';
    ctx.fillText(titleOf(own.lane), box.x + 6, box.y + 5);
    ctx.strokeStyle = c.tint;
    ctx.lineWidth = 2;
    trace(ctx, box, note, own.lane, curvesOf(note)[own.lane] ?? [], 1);
    const place = new Lane(own.lane);
    for (const [ticks, value] of own.points) {
        const [x, y] = [box.x + (ticks / note.length) * box.w, box.y + (1 - place.share(value)) * box.h];
        ctx.fillStyle = ticks === own.held ? c.selected : c.tint;
        const half = ticks === own.held ? 4.5 : 2.5;
        ctx.fillRect(x - half, y - half, 2 * half, 2 * half);
    }
    if (own.stroke) {
        ctx.strokeStyle = own.stroke.clears ? c.trouble : c.selected;
        ctx.setLineDash([4, 3]);
        ctx.beginPath();
        const lane = new Lane(own.lane);
        for (const [ticks, value] of own.stroke.points)
            ctx.lineTo(box.x + (ticks / note.length) * box.w, box.y + (1 - lane.share(value)) * box.h);
        ctx.stroke();
        ctx.setLineDash([]);
    }
}

/** Values hold until the next. */
function trace(
    ctx: CanvasRenderingContext2D,
    box: Box,
    note: Note,
    name: string,
    points: readonly [number, number][],
    larger: number,
): void {
    const lane = new Lane(name);
    const rest = lane.least < 0 ? 0.5 : 0;
    const y = (value: number): number => {
        const share = rest === 0.5 ? 0.5 + (lane.share(value) - 0.5) * larger : lane.share(value);
        return box.y + (1 - Math.max(0, Math.min(1, share))) * box.h;
    };
    const x = (ticks: number): number => box.x + (Math.min(ticks, note.length) / note.length) * box.w;
    ctx.beginPath();
    let last = box.y + (1 - rest) * box.h;
    ctx.moveTo(box.x, last);
    for (const [ticks, value] of points) {
        if (ticks > note.length) break;
        ctx.lineTo(x(ticks), last);
        last = y(value);
        ctx.lineTo(x(ticks), last);
    }
    ctx.lineTo(box.x + box.w, last);
    ctx.stroke();
}

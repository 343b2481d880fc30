import type { Part } from '../api/part.svelte';
import type { ArticulationSet } from '../contract';
import type { Colours } from '../stage/colours';
import type { View } from '../stage/view';

/** The set of the track whose part is open: for the marks on its notes, and the names on the strip of keys. */
class Articulated {
    set = $state.raw<ArticulationSet | null>(null);

    /** What a number of it is called; null where there is none. */
    name(number: number): string | null {
        if (number === 0) return this.set ? `none: ${this.set.articulations[0]!.name.toLowerCase()}` : null;
        return this.set?.articulations[number - 1]?.name.toLowerCase() ?? null;
    }

    mark(number: number): string {
        return this.set?.articulations[number - 1]?.mark ?? '';
    }
}

export const articulated = new Articulated();

const BAND = 15;
const [CONTROLLER, SUSTAIN, DOWN] = [0xb0, 64, 64];

/** Stretches in which the sustain pedal is down: from, until. */
export function pedalled(part: Part, end: number): [number, number][] {
    const stretches: [number, number][] = [];
    let from: number | null = null;
    for (const { tick, status, data1, data2, heard } of part.points) {
        if ((status & 0xf0) !== CONTROLLER || data1 !== SUSTAIN || !heard) continue;
        if (data2 >= DOWN) from ??= tick;
        else if (from !== null) {
            stretches.push([from, tick]);
            from = null;
        }
    }
    if (from !== null) stretches.push([from, end]);
    return stretches;
}

/** The pedal as a line under the notes; where it is asked for, notes go on until it is let go. */
export function paintPedal(ctx: CanvasRenderingContext2D, view: View, part: Part, tails: boolean, c: Colours): void {
    const stretches = pedalled(part, view.end);
    if (stretches.length === 0) return;
    const y = view.height - 3;
    ctx.fillStyle = c.sounding;
    for (const [from, until] of stretches) {
        if (until < view.left || from > view.right) continue;
        ctx.fillRect(view.x(from), y, Math.max(2, (until - from) * view.scale - 2), 2);
        ctx.fillRect(view.x(from), y - 5, 1.5, 7);
    }
    if (!tails) return;
    ctx.fillStyle = c.tint;
    let at = 0;
    part.between(view.left - view.width / view.scale, view.right, (note) => {
        const end = note.start + note.length;
        while (at > 0 && stretches[at]![0] > end) at--;
        while (at + 1 < stretches.length && stretches[at]![1] <= end) at++;
        const [from, until] = stretches[at]!;
        if (from > end || until <= end) return;
        ctx.fillRect(view.x(end), view.y(note.pitch) + view.row / 2 - 1, (until - end) * view.scale, 2);
    });
}

/** A line of stretches at the foot of the notes: which articulation holds from where to where. */
export function paintStretches(ctx: CanvasRenderingContext2D, view: View, part: Part, c: Colours): void {
    const { set } = articulated;
    if (!set || !part.ordered.some((n) => n.articulation > 0)) return;
    // Above the line of the pedal.
    const y = view.height - BAND - 6;
    ctx.fillStyle = c.paper;
    ctx.globalAlpha = 0.92;
    ctx.fillRect(0, y, view.width, BAND);
    ctx.globalAlpha = 1;
    ctx.fillStyle = c.faint;
    ctx.fillRect(0, y, view.width, 1);
    ctx.font = `11px ${c.font}`;
    ctx.textBaseline = 'middle';
    let [from, until, number] = [0, 0, -1];
    const draw = (): void => {
        const [x, end] = [Math.max(0, view.x(from)), view.x(until)];
        if (number < 0 || end < 0 || x > view.width) return;
        ctx.fillStyle = c.ink;
        ctx.fillRect(view.x(from), y + 2, 1.5, BAND - 4);
        ctx.fillRect(x, y + BAND - 3, Math.max(1, end - x - 2), 1);
        const { name } = set.articulations[Math.max(1, number) - 1] ?? set.articulations[0]!;
        if (end - x > name.length * 6 + 8) ctx.fillText(name, x + 5, y + BAND / 2 - 0.5);
    };
    for (const note of part.ordered) {
        if (!part.holds(note.start)) continue;
        if (note.articulation !== number) {
            draw();
            [from, number] = [note.start, note.articulation];
        }
        until = Math.max(note.articulation === number ? until : 0, note.start + note.length);
        if (note.start > view.right) break;
    }
    draw();
}

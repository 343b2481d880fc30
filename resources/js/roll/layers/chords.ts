import type { Named } from '../../harmony/chord-line.svelte';
import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';

/** Names closer than this give way to one another. */
const LEAST = 14;

/** The chord line: each name where its chord begins, and a rule along it; the chord at the caret stands in a frame. */
export function paintChords(
    ctx: CanvasRenderingContext2D,
    view: View,
    chords: readonly Named[],
    caret: number,
    height: number,
    c: Colours,
): void {
    ctx.fillStyle = c.margin;
    ctx.fillRect(0, 0, view.width, height);
    ctx.textBaseline = 'middle';
    ctx.font = `600 13px ${c.font}`;
    let taken = -Infinity;
    for (let i = first(chords, view.left); i < chords.length; i++) {
        const [from, to, name] = chords[i]!;
        if (from > view.right) break;
        const x = view.x(from);
        const right = Math.max(x + 2, view.x(to));
        const next = chords[i + 1];
        const room = (next ? view.x(next[0]) : Infinity) - Math.max(x, 0) - 8;
        ctx.fillStyle = c.bar;
        ctx.fillRect(Math.round(x), 3, 1, height - 6);
        ctx.fillRect(x, height - 3, right - x - 2, 1);
        if (Math.max(x, 0) < taken || room < LEAST) continue;
        ctx.fillStyle = c.ink;
        ctx.fillText(name, Math.max(x, 0) + 5, height / 2, Math.max(LEAST, Math.min(room, 120)));
        taken = Math.max(x, 0) + Math.min(ctx.measureText(name).width, room) + 8;
        if (caret >= from && caret < to) {
            ctx.strokeStyle = c.ink;
            ctx.strokeRect(
                Math.round(Math.max(x, 0)) + 1.5,
                2.5,
                Math.max(12, Math.min(right, view.width) - Math.max(x, 0) - 4),
                height - 6,
            );
        }
    }
    ctx.fillStyle = c.bar;
    ctx.fillRect(0, height - 1, view.width, 1);
}

/** The first chord that reaches past a tick. */
function first(chords: readonly Named[], tick: number): number {
    let [low, high] = [0, chords.length];
    while (low < high) {
        const middle = (low + high) >> 1;
        if (chords[middle]![1] <= tick) low = middle + 1;
        else high = middle;
    }
    return low;
}

import type { Part } from '../../api/part.svelte';
import type { Colours } from '../../stage/colours';
import { inkOf, mixed, Pixels, type Ink } from '../../stage/pixels';
import type { View } from '../../stage/view';

/** Notes lower than this, or narrower, have no edge. */
const PLAIN = 6;

const pixels = new Pixels();

/** Canvases on which nothing lies: they cost nothing while that is so. */
const bare = new WeakSet<CanvasRenderingContext2D>();

/**
 * Other parts behind the one being edited, each in its track's tint and quieter: paler, and hatched where they have
 * room, so that they are not taken for notes of the part. Where they are edited in place, those selected have a full edge.
 */
export function paintUnderlay(
    ctx: CanvasRenderingContext2D,
    view: View,
    parts: readonly { part: Part; tint: string }[],
    chosen: ReadonlyMap<number, ReadonlySet<number>>,
    c: Colours,
): void {
    if (parts.length === 0) {
        if (!bare.has(ctx)) ctx.clearRect(0, 0, view.width, view.height);
        bare.add(ctx);
        return;
    }
    bare.delete(ctx);
    pixels.begin(view.width, view.height);
    const paper = inkOf(c.paper);
    const selected = inkOf(c.selected);
    const seen = new Uint8Array(128);
    view.eachRow((p) => (seen[p] = 1));
    const reached = new Float64Array(128);
    for (const { part, tint } of parts) {
        const edge = mixed(inkOf(tint), paper);
        const pale = mixed(edge, paper);
        const mine = chosen.get(part.id);
        reached.fill(-Infinity);
        const { starts, lengths, pitches } = part;
        part.places(Math.floor(view.left), Math.ceil(view.right), (i) => {
            const pitch = pitches[i]!;
            if (seen[pitch] === 0 || !part.holds(starts[i]!)) return;
            const x = (starts[i]! - view.left) * view.scale;
            const w = Math.max(1.5, lengths[i]! * view.scale - 1);
            const isChosen = mine !== undefined && mine.has(part.ordered[i]!.id);
            if (x + w <= reached[pitch]! + 0.25 && !isChosen) return;
            reached[pitch] = x + w;
            paintOne(
                x,
                view.y(pitch) + 0.5,
                w,
                view.row - 1,
                isChosen ? selected : edge,
                isChosen ? edge : pale,
                isChosen,
            );
        });
    }
    pixels.put(ctx);
}

function paintOne(x: number, y: number, w: number, h: number, edge: Ink, pale: Ink, chosen: boolean): void {
    if (w < PLAIN || h < PLAIN) return pixels.rect(x, y + h * 0.25, w, Math.max(1, h * 0.5), edge);
    pixels.rect(x, y, w, h, pale);
    // Hatched: every few pixels a rule.
    for (let at = 3; at < w - 1; at += 5) pixels.rect(x + at, y + 1, 1, h - 2, edge);
    pixels.edge(x, y, w, h, chosen ? 2 : 1, edge, false);
}

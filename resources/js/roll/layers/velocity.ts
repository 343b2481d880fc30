import type { Part } from '../../api/part.svelte';
import type { Note } from '../../api/tables';
import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';

/** Heads drawn on one another's stems at most, as pairs: past that a lane is a thicket anyway. */
const MOST_HEADS = 800;

/** One stem for each note: its height is the velocity. */
export function paintVelocity(
    ctx: CanvasRenderingContext2D,
    view: View,
    part: Part,
    selected: ReadonlySet<number>,
    raised: number,
    height: number,
    c: Colours,
): void {
    ctx.fillStyle = c.margin;
    ctx.fillRect(0, 0, view.width, height);
    ctx.fillStyle = c.beat;
    for (const level of [32, 64, 96]) ctx.fillRect(0, Math.round(stemTop(level, height)), view.width, 0.5);
    ctx.fillStyle = c.bar;
    ctx.fillRect(0, 0, view.width, 1);
    const chosen: number[] = [];
    const stem = (x: number, velocity: number, muted: boolean): void => {
        const top = stemTop(velocity, height);
        ctx.fillRect(x, top, 1.5, height - top);
        if (muted) ctx.strokeRect(x - 2, top - 2, 5, 4);
        else ctx.fillRect(x - 2, top - 2, 5, 4);
    };
    ctx.lineWidth = 1;
    ctx.strokeStyle = c.faint;
    const stems = new Stems(view.width);
    const { starts, velocities, mutes } = part;
    part.places(Math.floor(view.left), Math.ceil(view.right), (i) => {
        if (selected.size > 0 && selected.has(part.ordered[i]!.id)) chosen.push(i);
        else stems.add((starts[i]! - view.left) * view.scale, mutes[i]!, velocities[i]!);
    });
    ctx.fillStyle = c.tint;
    stems.each(stem);
    stems.clear();
    for (const i of chosen)
        stems.add(view.x(starts[i]!), mutes[i]!, Math.max(1, Math.min(127, pushed(part.ordered[i]!) + raised)));
    ctx.fillStyle = c.selected;
    stems.each(stem);
    paintCarried(ctx, view, part, height, c);
}

function pushed(note: Note): number {
    return note.velocity + note.carryVelocity;
}

/** Over or under the stem of a note that was pushed past the limit, an arrow that way. */
function paintCarried(ctx: CanvasRenderingContext2D, view: View, part: Part, height: number, c: Colours): void {
    ctx.fillStyle = c.ink;
    let last = -Infinity;
    for (const i of part.carried) {
        const x = Math.round(view.x(part.starts[i]!));
        if (x < -4 || x > view.width + 4 || x < last + 7) continue;
        last = x;
        const up = part.ordered[i]!.carryVelocity > 0;
        for (let k = 0; k < 4; k++) ctx.fillRect(x - k + 0.5, up ? k + 1 : height - 2 - k, 2 * k + 1, 1);
    }
}

/** Stems of one pixel column hide one another: the tallest and the heads of a few others are kept. */
class Stems {
    private readonly tallest: Uint8Array;
    private readonly muted: Uint8Array;
    private readonly heads: number[] = [];

    constructor(width: number) {
        this.tallest = new Uint8Array(Math.ceil(width) + 2);
        this.muted = new Uint8Array(this.tallest.length);
    }

    add(at: number, muted: number, velocity: number): void {
        const x = Math.round(at);
        if (x < 0 || x >= this.tallest.length) return;
        if (velocity > this.tallest[x]!) {
            if (this.tallest[x]! > 0 && this.heads.length < MOST_HEADS) this.heads.push(x, this.tallest[x]!);
            this.tallest[x] = velocity;
            this.muted[x] = muted;
        } else if (velocity < this.tallest[x]! && this.heads.length < MOST_HEADS) {
            this.heads.push(x, velocity);
        }
    }

    each(visit: (x: number, velocity: number, muted: boolean) => void): void {
        for (let x = 0; x < this.tallest.length; x++)
            if (this.tallest[x]! > 0) visit(x, this.tallest[x]!, this.muted[x] === 1);
        for (let i = 0; i < this.heads.length; i += 2) visit(this.heads[i]!, this.heads[i + 1]!, false);
    }

    clear(): void {
        this.tallest.fill(0);
        this.heads.length = 0;
    }
}

export function stemTop(velocity: number, height: number): number {
    return height - (velocity / 127) * (height - 8);
}

/** What is drawn over the velocities, before it is let go. */
export function paintStroke(
    ctx: CanvasRenderingContext2D,
    view: View,
    stroke: { lane: string; points: [number, number][] } | null,
    height: number,
    c: Colours,
): void {
    if (stroke?.lane !== 'velocity') return;
    ctx.strokeStyle = c.selected;
    ctx.lineWidth = 1.5;
    ctx.setLineDash([4, 3]);
    ctx.beginPath();
    for (const [tick, value] of stroke.points) ctx.lineTo(view.x(tick), stemTop(value, height));
    ctx.stroke();
    ctx.setLineDash([]);
}

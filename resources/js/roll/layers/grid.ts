import type { Bar, Lines } from '../../rules/lines';
import type { Part } from '../../api/part.svelte';
import type { PartHead } from '../../api/types';
import type { Time } from '../../rules/time';
import type { Colours } from '../../stage/colours';
import { isDark } from '../names';
import type { View } from '../../stage/view';

const CLOSEST = 7;

/** Rows of the keyboard and the grid's own lines. Where lines would crowd, only every second, fourth… of a bar is shown. */
export function paintGrid(ctx: CanvasRenderingContext2D, view: View, part: Part, time: Time, c: Colours): void {
    const { width, height } = view;
    const { lines, head } = part;
    ctx.fillStyle = c.paper;
    ctx.fillRect(0, 0, width, height);
    ctx.fillStyle = c.rowDark;
    view.eachRow((p, y) => {
        if (isDark(p)) ctx.fillRect(0, y, width, view.row);
    });
    if (part.scale) paintOutside(ctx, view, part, c);
    ctx.fillStyle = c.line;
    view.eachRow((p, y) => {
        // A rule between E and F and between B and C, as on the keys themselves; between rows in use one each.
        if (view.rows || p % 12 === 0 || p % 12 === 5)
            ctx.fillRect(0, Math.round(y + view.row) - 0.5, width, p % 12 === 0 && !view.rows ? 1 : 0.5);
    });
    eachLine(view, lines, time, CLOSEST, (x, rank) => {
        ctx.fillStyle = rank === 'bar' ? c.bar : rank === 'beat' ? c.beat : c.line;
        ctx.fillRect(x, 0, 1, height);
    });
    paintWindow(ctx, view, head, c);
}

/** Rows outside the scale are quieter, and a dotted line runs along them. */
function paintOutside(ctx: CanvasRenderingContext2D, view: View, part: Part, c: Colours): void {
    view.eachRow((p, y) => {
        if (!part.isOutside(p)) return;
        ctx.fillStyle = c.faint;
        ctx.globalAlpha = 0.1;
        ctx.fillRect(0, y, view.width, view.row);
        ctx.globalAlpha = 0.45;
        for (let x = 4; x < view.width; x += 12) ctx.fillRect(x, Math.round(y + view.row / 2), 2, 1);
        ctx.globalAlpha = 1;
    });
}

/** Outside the part's window the paper is grey, and at its edges stands a double rule. */
function paintWindow(ctx: CanvasRenderingContext2D, view: View, head: PartHead, c: Colours): void {
    const from = view.x(head.from);
    const to = head.to === null ? Infinity : view.x(head.to);
    ctx.fillStyle = c.faint;
    ctx.globalAlpha = 0.13;
    if (from > 0) ctx.fillRect(0, 0, Math.min(from, view.width), view.height);
    if (to < view.width) ctx.fillRect(Math.max(0, to), 0, view.width - Math.max(0, to), view.height);
    ctx.globalAlpha = 1;
    ctx.fillStyle = c.bar;
    for (const x of head.from > 0 ? [from, to] : [to])
        if (x >= 0 && x <= view.width) {
            ctx.fillRect(Math.round(x), 0, 1, view.height);
            ctx.fillRect(Math.round(x) + (x === from ? -3 : 2), 0, 1, view.height);
        }
}

/** Visits the grid's lines in view, with the pixel each stands on and how much it weighs. */
export function eachLine(
    view: View,
    lines: Lines,
    time: Time,
    closest: number,
    visit: (x: number, rank: 'bar' | 'beat' | 'line') => void,
): void {
    const steps = new Map<string, number>();
    // Where bars would crowd, those between are not even looked at.
    for (
        let bar = lines.barAt(view.left);
        bar.start <= Math.min(view.right, view.end);
        bar = nextBar(view, lines, bar, closest)
    ) {
        const { start, pattern, kind } = bar;
        visit(Math.round(view.x(start)), pattern[0] === 0 ? 'bar' : 'line');
        if (pattern.length < 2) continue;
        const length = bar.end - start;
        const like = `${kind} ${length}`;
        const every = steps.get(like) ?? stepOf(pattern, length, closest / view.scale);
        steps.set(like, every);
        const beat = (4 * time.ppq) / time.meterAt(start)[1];
        for (let i = every; i < pattern.length && every > 0; i += every) {
            const offset = pattern[i]!;
            visit(Math.round(view.x(start + offset)), offset % beat === 0 ? 'beat' : 'line');
        }
    }
}

/** The first bar that begins so many pixels or more after another. */
export function nextBar(view: View, lines: Lines, bar: Bar, pixels: number): Bar {
    const far = bar.start + pixels / view.scale;
    if (bar.end >= far) return lines.barNumber(bar.index + 1);
    const next = lines.barAt(far);
    return next.start >= far ? next : lines.barNumber(next.index + 1);
}

/** The smallest step through a bar's lines that leaves them at least so many ticks apart and divides the bar; 0 for none. */
function stepOf(pattern: readonly number[], length: number, closest: number): number {
    const count = pattern.length;
    for (let step = 1; step < count; step++) {
        if (count % step === 0 && apart(pattern, length, step) >= closest) return step;
    }
    return 0;
}

/** The least distance between every so many lines of a bar, up to the next bar. */
function apart(pattern: readonly number[], length: number, step: number): number {
    let least = Infinity;
    for (let i = 0; i < pattern.length; i += step) least = Math.min(least, (pattern[i + step] ?? length) - pattern[i]!);
    return least;
}

import type { Part } from '../../api/part.svelte';
import { barAt, type Time } from '../../api/time';
import type { Colours } from '../colours';
import { isDark, pitchName } from '../names';
import type { View } from '../view';
import { eachLine } from './grid';

/** Heads drawn on one another's stems at most, as pairs: past that a lane is a thicket anyway. */
const MOST_HEADS = 800;

export interface Marks {
    loop: { from: number; to: number; on: boolean } | null;
    /** Tick of the caret. */
    caret: number;
    recording: boolean;
    /** Only what is played within the span is taken. */
    punch: boolean;
}

/** Bars and beats, and where the tempo and the meter change. */
export function paintRuler(
    ctx: CanvasRenderingContext2D,
    view: View,
    part: Part,
    time: Time,
    marks: Marks,
    height: number,
    c: Colours,
): void {
    const { lines } = part;
    ctx.fillStyle = c.margin;
    ctx.fillRect(0, 0, view.width, height);
    if (marks.loop) {
        const x = view.x(marks.loop.from);
        const w = view.x(marks.loop.to) - x;
        ctx.fillStyle = c.sounding;
        ctx.globalAlpha = marks.loop.on ? 0.28 : 0.1;
        ctx.fillRect(x, height - 20, w, 20);
        ctx.globalAlpha = 1;
        ctx.fillRect(x, height - 3, w, marks.loop.on ? 3 : 1);
        ctx.fillRect(x, height - 20, 1, 20);
        ctx.fillRect(x + w - 1, height - 20, 1, 20);
        // A span that a take is bound to has posts with feet.
        if (marks.punch) {
            ctx.fillStyle = c.trouble;
            ctx.fillRect(x, height - 20, 2, 17);
            ctx.fillRect(x, height - 20, 6, 2);
            ctx.fillRect(x + w - 2, height - 20, 2, 17);
            ctx.fillRect(x + w - 6, height - 20, 6, 2);
        }
    }
    ctx.textBaseline = 'alphabetic';
    ctx.fillStyle = c.faint;
    eachLine(view, lines, time, 10, (x, rank) => {
        ctx.fillStyle = rank === 'bar' ? c.bar : c.beat;
        ctx.fillRect(x, rank === 'bar' ? height - 20 : height - (rank === 'beat' ? 8 : 4), 1, 20);
    });
    let taken = -Infinity;
    for (let b = barAt(lines, Math.max(0, view.left)); b < lines.bars.length; b++) {
        const start = lines.bars[b]!;
        if (start > view.right) break;
        const x = view.x(start);
        const beat = (4 * time.ppq) / time.meterAt(start)[1];
        const barWidth = ((lines.bars[b + 1] ?? start) - start) * view.scale;
        if (x >= taken) {
            ctx.font = `600 13px ${c.font}`;
            ctx.fillStyle = c.ink;
            ctx.fillText(String(b + 1), x + 4, height - 8);
            taken = x + 34;
        }
        if (beat * view.scale > 44) {
            ctx.font = `12px ${c.font}`;
            ctx.fillStyle = c.faint;
            for (let t = beat, n = 2; t * view.scale < barWidth - 1; t += beat, n++)
                ctx.fillText(`.${n}`, x + t * view.scale + 4, height - 8);
        }
    }
    paintChanges(ctx, view, time, c);
    const caret = Math.round(view.x(marks.caret));
    ctx.fillStyle = c.ink;
    ctx.fillRect(caret - 4, height - 4, 9, 3);
    ctx.fillRect(caret, height - 9, 1, 8);
    ctx.fillStyle = c.bar;
    ctx.fillRect(0, height - 1, view.width, 1);
}

function paintChanges(ctx: CanvasRenderingContext2D, view: View, time: Time, c: Colours): void {
    ctx.font = `12px ${c.font}`;
    ctx.textBaseline = 'alphabetic';
    const changes = new Map<number, string[]>();
    for (const [tick, beats, unit] of time.meters) changes.set(tick, [`${beats}/${unit}`]);
    for (const [tick, , tempo] of time.tempos) {
        const label = `♩ = ${(6e7 / tempo).toFixed(2).replace(/\.?0+$/, '')}`;
        changes.set(tick, [...(changes.get(tick) ?? []), label]);
    }
    const places = [...changes.keys()].sort((a, b) => a - b);
    places.forEach((tick, i) => {
        const text = changes.get(tick)!.join('   ');
        const next = places[i + 1];
        // What holds at the left edge stays readable there.
        const x = Math.max(view.x(tick), 0);
        if (x > view.width || (next !== undefined && view.x(next) < 70)) return;
        const room = next === undefined ? Infinity : view.x(next) - x - 10;
        if (tick > view.left) {
            ctx.fillStyle = c.ink;
            ctx.fillRect(x, 2, 1, 14);
        }
        if (room < 30) return;
        ctx.fillStyle = c.ink;
        // A width without end would draw nothing.
        ctx.fillText(text, x + 5, 13, Math.min(room, view.width));
    });
}

/** The keyboard with its names: every C, and every key when rows are tall; drums by name. */
export function paintKeyboard(
    ctx: CanvasRenderingContext2D,
    view: View,
    width: number,
    drums: Record<string, string> | null,
    lit: ReadonlySet<number>,
    c: Colours,
): void {
    ctx.fillStyle = c.paper;
    ctx.fillRect(0, 0, width, view.height);
    ctx.font = `${Math.min(12, Math.max(10, view.row))}px ${c.font}`;
    ctx.textBaseline = 'middle';
    const keyEnd = drums ? 12 : width * 0.58;
    for (let p = view.pitch(view.height); p <= view.pitch(0); p++) {
        const y = view.y(p);
        if (isDark(p)) {
            ctx.fillStyle = c.keyDark;
            ctx.fillRect(0, y + 0.5, keyEnd, view.row - 1);
        }
        if (lit.has(p)) {
            ctx.fillStyle = c.sounding;
            ctx.fillRect(0, y, 5, view.row);
        }
        ctx.fillStyle = c.line;
        ctx.fillRect(
            isDark(p) ? keyEnd : 0,
            Math.round(y + view.row) - 0.5,
            width,
            p % 12 === 0 || p % 12 === 5 ? 1 : 0.5,
        );
        const drum = drums?.[String(p)];
        if (drums ? drum && view.row >= 10 : p % 12 === 0 || view.row >= 13) {
            ctx.fillStyle = isDark(p) && !drums ? c.paper : p % 12 === 0 ? c.ink : c.faint;
            ctx.fillText(
                drum ?? pitchName(p),
                drums ? 16 : isDark(p) ? 8 : width - 30,
                y + view.row / 2 + 0.5,
                drums ? width - 18 : 28,
            );
        }
    }
    ctx.fillStyle = c.bar;
    ctx.fillRect(width - 1, 0, 1, view.height);
}

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
    const stem = (x: number, top: number, muted: boolean, colour: string): void => {
        ctx.fillStyle = colour;
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
    stems.each((x, velocity, muted) => stem(x, stemTop(velocity, height), muted, c.tint));
    stems.clear();
    for (const i of chosen)
        stems.add(view.x(starts[i]!), mutes[i]!, Math.max(1, Math.min(127, velocities[i]! + raised)));
    stems.each((x, velocity, muted) => stem(x, stemTop(velocity, height), muted, c.selected));
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

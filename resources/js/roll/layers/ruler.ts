import type { Lines } from '../../rules/lines';
import type { Time } from '../../rules/time';
import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';
import { eachLine, nextBar } from './grid';

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
    part: { readonly lines: Lines },
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
    for (
        let bar = lines.barAt(view.left);
        bar.start <= Math.min(view.right, view.end);
        bar = nextBar(view, lines, bar, 1)
    ) {
        const { start, end, index } = bar;
        const x = view.x(start);
        const beat = (4 * time.ppq) / time.meterAt(start)[1];
        const barWidth = (end - start) * view.scale;
        if (x >= taken) {
            ctx.font = `600 13px ${c.font}`;
            ctx.fillStyle = c.ink;
            ctx.fillText(String(index + 1), x + 4, height - 8);
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

/** Markers, each a flag with its name. */
export function markerFlags(ctx: CanvasRenderingContext2D, view: View, time: Time, top: number, c: Colours): void {
    ctx.font = `italic 12px ${c.font}`;
    ctx.textBaseline = 'alphabetic';
    time.markers.forEach(([tick, name], i) => {
        const x = view.x(tick);
        const room = (time.markers[i + 1] ? view.x(time.markers[i + 1]![0]) : Infinity) - x - 14;
        if (x > view.width || x + 200 < 0 || room < 0) return;
        ctx.fillStyle = c.trouble;
        ctx.beginPath();
        ctx.moveTo(x, top);
        ctx.lineTo(x + 7, top + 4);
        ctx.lineTo(x, top + 8);
        ctx.fill();
        ctx.fillRect(x, top, 1, 14);
        ctx.fillStyle = c.ink;
        if (room > 12) ctx.fillText(name, x + 10, top + 9, Math.min(room, 200));
    });
}

import type { Part } from '../../api/part.svelte';
import { coloursOf } from '../../stage/colours';
import { inkOf, mixed, Pixels } from '../../stage/pixels';
import type { ArrangeModel } from '../arrange-model.svelte';
import { NAME } from '../sizes';

const pixels = new Pixels();
const reached = new Float64Array(128);
/** Rounds of a loop drawn apart from one another are at least so wide; narrower ones are one outline. */
const NARROW = 5;

/** The notes of the sheets in view, drawn small: those heard in the track's tint, those hidden pale, rounds in outline. */
export function paintNotes(model: ArrangeModel, ctx: CanvasRenderingContext2D): void {
    const { view, song } = model;
    const paper = inkOf(model.colours.paper);
    const pale = mixed(mixed(inkOf(model.colours.faint), paper), paper);
    pixels.begin(view.width, view.height);
    song.tracks.forEach((track, t) => {
        if (model.y(t) > view.height || model.y(t + 1) < 0) return;
        const tint = inkOf(coloursOf(t).tint);
        const silent = mixed(tint, paper);
        const isHeard = song.audible(track);
        for (const part of track.parts) {
            paintPart(model, part, isHeard && !part.head.muted ? tint : silent, silent, pale);
            paintRounds(model, part, tint);
        }
    });
    pixels.put(ctx);
}

function paintPart(model: ArrangeModel, part: Part, tint: number, silent: number, pale: number): void {
    const { view } = model;
    const { from, to, y, h } = model.boxOf(part);
    if (from > view.right || part.ordered.length === 0) return;
    const [low, high] = range(part);
    const room = h - NAME - 5;
    if (room < 3) return;
    const step = Math.min(5, room / (high - low + 1));
    const thick = Math.max(1, step - 0.5);
    const bottom = y - model.top + h - 3 - (room - step * (high - low + 1)) / 2;
    const { starts, lengths, pitches, mutes } = part;
    // What lies on a pixel already drawn need not be drawn again.
    reached.fill(-Infinity);
    part.places(Math.max(view.left, from - (to - from)), Math.min(view.right, to + (to - from)), (i) => {
        const start = starts[i]!;
        const inside = start >= from && start < to;
        const x = (start - view.left) * view.scale;
        const pitch = pitches[i]!;
        const end = inside ? Math.min(start + lengths[i]!, to) : start + lengths[i]!;
        const w = Math.max(1, (end - start) * view.scale - 0.5);
        if (x + w <= reached[pitch]! + 0.5) return;
        reached[pitch] = x + w;
        pixels.rect(x, bottom - (pitch - low + 1) * step, w, thick, !inside ? pale : mutes[i] ? silent : tint);
    });
}

/** A loop goes on as repeats in outline, each as long as its window, the last cut where it ends. */
function paintRounds(model: ArrangeModel, part: Part, tint: number): void {
    const { view } = model;
    const { from, to, y, h } = model.boxOf(part);
    const until = part.head.plays?.until ?? 0;
    if (until <= to || view.x(to) > view.width) return;
    const length = to - from;
    const top = y - model.top + 1;
    const narrow = length * view.scale < NARROW;
    const first = Math.max(to, from + Math.floor((view.left - from) / length) * length);
    for (let start = first; start < Math.min(until, view.right); start += narrow ? until - start : length) {
        const end = Math.min(narrow ? until : start + length, until);
        const x = view.x(start) + 1;
        const w = (end - start) * view.scale - 2;
        pixels.edge(x, top, Math.max(1, w), h - 2, 1, tint, false);
        // The sign of a repeat: two dots.
        if (w > 16) {
            pixels.rect(x + 4, top + h / 2 - 5, 2, 2, tint);
            pixels.rect(x + 4, top + h / 2 + 3, 2, 2, tint);
        }
    }
}

const ranges = new WeakMap<readonly unknown[], [number, number]>();

function range(part: Part): [number, number] {
    let known = ranges.get(part.ordered);
    if (!known) {
        known = [127, 0];
        for (const p of part.pitches) known = [Math.min(known[0], p), Math.max(known[1], p)];
        ranges.set(part.ordered, known);
    }
    return known;
}

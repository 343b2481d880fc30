import type { Part } from '../../api/part.svelte';
import type { Note } from '../../api/tables';
import type { Colours } from '../../stage/colours';
import { articulated, paintPedal, paintStretches } from '../articulated.svelte';
import { noteName } from '../names';
import { inkOf, mixed, Pixels, type Ink } from '../../stage/pixels';
import type { View } from '../../stage/view';
import { paintCurves } from './own';

/** Notes lower or narrower than this have no room for an edge and marks. */
const PLAIN_ROW = 7;
const PLAIN_WIDTH = 4;
const NAMED_ROW = 11;
const NAMED_WIDTH = 24;
/** Room that a name takes, by its letters, and beside it for marks, in pixels. */
const LETTER = 7;
const BESIDE = 11;
/** Notes narrower than this carry no marks of timing. */
const MARKED_WIDTH = 9;
const CORNER = 7;
/** Notes narrower than this do not show that a velocity is carried; the lane does. */
const CARRIED_WIDTH = 26;

const pixels = new Pixels();

interface Inks {
    paper: Ink;
    ink: Ink;
    faint: Ink;
    edge: Ink;
    full: Ink;
}

/** Which notes of the order are selected, kept until the notes or the choice change. */
class Flags {
    private flags = new Uint8Array(0);
    private of: Part | null = null;
    private set: ReadonlySet<number> | null = null;
    private stamp = '';

    read(part: Part, selected: ReadonlySet<number>, versions: string): Uint8Array {
        if (part !== this.of || selected !== this.set || versions !== this.stamp) {
            [this.of, this.set, this.stamp] = [part, selected, versions];
            this.flags = new Uint8Array(part.ordered.length);
            if (selected.size > 0)
                for (let i = 0; i < this.flags.length; i++) if (selected.has(part.ordered[i]!.id)) this.flags[i] = 1;
        }
        return this.flags;
    }
}

const flags = new Flags();

/**
 * The notes in view. How full a note is shows its velocity; selected, muted, early, late and overlapping each have a
 * shape. `versions` changes whenever the notes or the selection do.
 */
export function paintNotes(
    ctx: CanvasRenderingContext2D,
    view: View,
    part: Part,
    selected: ReadonlySet<number>,
    versions: string,
    playedPlaces: boolean,
    tails: boolean,
    c: Colours,
): void {
    const common = { paper: inkOf(c.paper), ink: inkOf(c.ink), faint: inkOf(c.faint) };
    const inks = (colour: string): Inks => ({
        ...common,
        edge: inkOf(colour),
        full: mixed(inkOf(colour), common.paper),
    });
    const both = [inks(c.tint), inks(c.selected)] as const;
    const pale: Inks = { ...common, edge: common.faint, full: mixed(common.faint, common.paper) };
    const above: number[] = [];
    const named: Note[] = [];
    const curved: Note[] = [];
    const isChosen = flags.read(part, selected, versions);
    // What lies under a note already drawn in the same pixels need not be drawn again.
    const reached = new Float64Array(128).fill(-Infinity);
    const seen = new Uint8Array(128);
    const tops = new Float64Array(128);
    view.eachRow((p) => {
        seen[p] = 1;
        tops[p] = view.y(p) + 0.5;
    });
    // Asked of every note: read once.
    const { from } = part.head;
    const to = part.head.to ?? Infinity;
    const { left, scale, row } = view;
    const { starts, lengths, pitches, velocities, mutes } = part;
    const dense = row < PLAIN_ROW;
    pixels.begin(view.width, view.height);
    const visit = (i: number): void => {
        const x = (starts[i]! - left) * scale;
        const w = Math.max(1.5, lengths[i]! * scale - 1);
        const pitch = pitches[i]!;
        // What lies outside the part's window is pale.
        const chosen = isChosen[i] === 1;
        const holds = starts[i]! >= from && starts[i]! < to;
        const own = chosen ? both[1] : holds ? both[0] : pale;
        if (w < PLAIN_WIDTH || dense) {
            if (x + w <= reached[pitch]! + 0.25) return;
            reached[pitch] = x + w;
            const h = row - 1;
            // Too small for an edge: as high as it is loud, never so low that it is lost.
            const level = dense ? h : h * (0.35 + (0.65 * velocities[i]!) / 127);
            const y = tops[pitch]!;
            if (mutes[i] === 1) pixels.rect(x, y + h / 2, w, 1, own.edge);
            else pixels.rect(x, y + h - level, w, level, own.edge);
            return;
        }
        const note = part.ordered[i]!;
        paintNote(view, part, note, chosen, x, w, own, playedPlaces);
        if (note.own && w >= MARKED_WIDTH) curved.push(note);
        if (row >= NAMED_ROW && (w >= NAMED_WIDTH || (note.articulation > 0 && w >= MARKED_WIDTH))) named.push(note);
    };
    part.places(Math.floor(left), Math.ceil(view.right), (i) => {
        if (seen[pitches[i]!] === 0) return;
        if (isChosen[i] === 1) above.push(i);
        else visit(i);
    });
    reached.fill(-Infinity);
    for (const i of above) visit(i);
    pixels.put(ctx);
    paintNames(ctx, view, named, c);
    paintCurves(ctx, view, curved, c);
    if (!dense) paintOverlaps(ctx, view, part, c);
    paintPedal(ctx, view, part, tails, c);
    paintStretches(ctx, view, part, c);
}

function paintNote(
    view: View,
    part: Part,
    note: Note,
    chosen: boolean,
    x: number,
    w: number,
    inks: Inks,
    playedPlace: boolean,
): void {
    const y = view.y(note.pitch) + 0.5;
    const h = view.row - 1;
    if (playedPlace) paintPlayed(view, note, x, y, w, h, inks);
    pixels.rect(x, y, w, h, inks.paper);
    if (!note.muted) {
        const full = Math.max(1, (h * note.velocity) / 127);
        pixels.rect(x, y + h - full, w, full, inks.full);
    }
    pixels.edge(x, y, w, h, chosen ? 2 : 1, note.muted && !chosen ? inks.faint : inks.edge, note.muted === 1);
    // The corner of a selected note is folded.
    if (chosen && w > CORNER)
        for (let i = 0; i < CORNER; i++) pixels.rect(x + w - CORNER + i, y + i, CORNER - i, 1, inks.edge);
    if (w >= MARKED_WIDTH) paintTiming(view, part, note, x, y, h, inks);
    if (part.isOutside(note.pitch) && w >= CARRIED_WIDTH) paintOutside(x + w - CORNER - 18, y, h, inks);
    if (note.carryVelocity !== 0 && w >= CARRIED_WIDTH) paintCarried(note, x + w - CORNER - 9, y, h, inks);
}

/** Outside the scale: a small cross. */
function paintOutside(x: number, y: number, h: number, inks: Inks): void {
    const top = y + h / 2 - 2;
    for (let i = 0; i < 5; i++) {
        pixels.rect(x + i, top + i, 1, 1, inks.ink);
        pixels.rect(x + 4 - i, top + i, 1, 1, inks.ink);
    }
}

/** Pushed past the loudest or the softest: an arrow over a bar, or under one. */
function paintCarried(note: Note, x: number, y: number, h: number, inks: Inks): void {
    const up = note.carryVelocity > 0;
    pixels.rect(x, up ? y + 2 : y + h - 3, 7, 1, inks.ink);
    for (let i = 0; i < 3; i++) pixels.rect(x + 3 - i, up ? y + 4 + i : y + h - 5 - i, 2 * i + 1, 1, inks.ink);
}

/** A wedge at the start points the way to the line: the note is early or late. */
function paintTiming(view: View, part: Part, note: Note, x: number, y: number, h: number, inks: Inks): void {
    const off = (note.start - part.lines.nearest(note.start)) * view.scale;
    if (Math.abs(off) < 0.75) return;
    const size = Math.min(4, h / 3);
    for (let i = 0; i <= size; i++)
        pixels.rect(off > 0 ? x + 1 + i : x + 1 + size - i, y + h / 2 - i, 1, Math.max(1, 2 * i), inks.ink);
}

/** Behind a note that was moved or cut, where it was played: its two edges, and a staff between them. */
function paintPlayed(view: View, note: Note, x: number, y: number, w: number, h: number, inks: Inks): void {
    const start = x + note.driftStart * view.scale;
    const end = start + Math.max(1.5, (note.length + note.driftLength) * view.scale - 1);
    if (Math.abs(start - x) < 1.5 && Math.abs(end - x - w) < 1.5) return;
    pixels.rect(start, y + 2, 1, h - 4, inks.faint);
    pixels.rect(end - 1, y + 2, 1, h - 4, inks.faint);
    pixels.rect(start, y + h - 3, end - start, 1, inks.faint);
}

function paintNames(ctx: CanvasRenderingContext2D, view: View, notes: Note[], c: Colours): void {
    ctx.font = `${Math.min(13, Math.max(11, view.row - 3))}px ${c.font}`;
    ctx.textBaseline = 'middle';
    ctx.fillStyle = c.ink;
    for (const note of notes) {
        const x = view.x(note.start);
        const w = note.length * view.scale;
        const indent = Math.max(0, -x);
        const y = view.y(note.pitch) + view.row / 2 + 0.5;
        const name = noteName(note.pitch, note.channel);
        const mark = note.articulation > 0 ? articulated.mark(note.articulation) : '';
        const both = mark ? `${name} ${mark}` : name;
        const fits = (text: string): boolean => w - indent > BESIDE + LETTER * text.length;
        // Where there is no room for both, how it is played says more than its row.
        const text = [both, mark, name].find((t) => t && fits(t));
        if (text) ctx.fillText(text, x + indent + 9, y);
        else if (mark) {
            // Beside the wedge of one that is early or late.
            ctx.fillText(mark, x + indent + 5, y);
        }
    }
}

/** Where a note sounds into a later one of its pitch, a saw-tooth edge runs along the shared stretch. */
function paintOverlaps(ctx: CanvasRenderingContext2D, view: View, part: Part, c: Colours): void {
    ctx.strokeStyle = c.trouble;
    ctx.lineWidth = 1.5;
    ctx.beginPath();
    for (const [from, until, pitch] of part.overlaps) {
        if (until < view.left || (until - from) * view.scale < 1) continue;
        if (from > view.right) break;
        const y = view.y(pitch) + 1;
        const end = view.x(until);
        let up = true;
        ctx.moveTo(view.x(from), y);
        for (let x = view.x(from) + 3; x < end + 3; x += 3, up = !up) ctx.lineTo(Math.min(x, end + 1), up ? y + 3 : y);
    }
    ctx.stroke();
}

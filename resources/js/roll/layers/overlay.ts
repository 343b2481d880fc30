import type { Landing } from '../../api/landing';
import type { Part } from '../../api/part.svelte';
import type { Note } from '../../api/tables';
import type { Colours } from '../../stage/colours';
import type { View } from '../../stage/view';

/** What a drag would do: by how much each selected note's place and size would change. */
export interface Shift {
    start: number;
    length: number;
    pitch: number;
    /** What becomes of a pitch, where it is not the same for all. */
    pitchOf?: (pitch: number) => number;
    /** Where all of them end, instead of each by the same. */
    end?: number;
}

/** A note that is not there yet. */
export interface Drawn {
    start: number;
    length: number;
    pitch: number;
}

export interface Overlay {
    box: { x0: number; y0: number; x1: number; y1: number } | null;
    outlines: { notes: Note[]; shift: Shift } | null;
    /** Notes under the pen, and those drawn that the server has not told of yet. */
    drawn: readonly Drawn[];
    /** Notes that the eraser went over. */
    erased: ReadonlySet<number>;
    /** What is held while a take is recorded: from where to where, and its pitch. */
    held: readonly Drawn[];
    sounding: Note[];
    landing: Landing | null;
    /** Notes that meet a condition: underlined twice. */
    marked: ReadonlySet<number> | null;
}

/** Where notes would land, the selection box, the outlines of a drag, and a bar along each note that sounds. */
export function paintOverlay(ctx: CanvasRenderingContext2D, view: View, part: Part, show: Overlay, c: Colours): void {
    if (show.marked) paintMarked(ctx, view, part, show.marked, c);
    if (show.landing) paintLanding(ctx, view, part, show.landing, c);
    ctx.fillStyle = c.sounding;
    for (const note of show.sounding) {
        const x = view.x(note.start);
        const w = Math.max(3, note.length * view.scale - 1);
        const y = view.y(note.pitch);
        ctx.fillRect(x, y + view.row - Math.max(2, view.row / 4), w, Math.max(2, view.row / 4));
        ctx.beginPath();
        ctx.arc(x, y + view.row / 2, Math.max(2.5, view.row / 4), 0, 7);
        ctx.fill();
    }
    if (show.outlines) {
        const { notes, shift } = show.outlines;
        ctx.strokeStyle = c.selected;
        ctx.lineWidth = 1.5;
        ctx.setLineDash([4, 3]);
        for (const note of notes) {
            const x = view.x(note.start + shift.start);
            const length = shift.end === undefined ? note.length + shift.length : shift.end - note.start;
            const w = Math.max(2, Math.max(1, length) * view.scale - 1);
            const pitch = shift.pitchOf?.(note.pitch) ?? note.pitch + shift.pitch;
            ctx.strokeRect(x, view.y(pitch) + 1, w, view.row - 2);
        }
        ctx.setLineDash([]);
    }
    paintDrawn(ctx, view, show.drawn, c);
    for (const { start, length, pitch } of show.held) {
        ctx.fillStyle = c.sounding;
        ctx.fillRect(view.x(start), view.y(pitch) + 1, Math.max(3, length * view.scale), view.row - 2);
    }
    ctx.fillStyle = c.trouble;
    for (const id of show.erased) {
        const note = part.notes.get(id);
        if (note)
            ctx.fillRect(
                view.x(note.start) - 2,
                Math.round(view.y(note.pitch) + view.row / 2) - 1,
                Math.max(6, note.length * view.scale + 2),
                2,
            );
    }
    if (show.box) {
        const { x0, y0, x1, y1 } = show.box;
        ctx.strokeStyle = c.selected;
        ctx.fillStyle = c.selected;
        ctx.lineWidth = 1;
        ctx.globalAlpha = 0.08;
        ctx.fillRect(x0, y0, x1 - x0, y1 - y0);
        ctx.globalAlpha = 1;
        ctx.strokeRect(Math.min(x0, x1) + 0.5, Math.min(y0, y1) + 0.5, Math.abs(x1 - x0), Math.abs(y1 - y0));
    }
}

function paintDrawn(ctx: CanvasRenderingContext2D, view: View, drawn: readonly Drawn[], c: Colours): void {
    ctx.strokeStyle = c.ink;
    ctx.lineWidth = 1.5;
    for (const { start, length, pitch } of drawn)
        ctx.strokeRect(view.x(start) + 0.5, view.y(pitch) + 1.5, Math.max(2, length * view.scale - 2), view.row - 3);
}

const CROSS = 4;

/**
 * The landing: an outline where each note would be, and a thread to it from where it is. A note that would come to lie
 * on another has a cross, one that would go far an arrow, one that would be taken away is struck through.
 */
function paintLanding(ctx: CanvasRenderingContext2D, view: View, part: Part, landing: Landing, c: Colours): void {
    const h = view.row - 2;
    for (const note of landing.notes) {
        const x = view.x(note.start);
        const w = Math.max(3, note.length * view.scale - 1);
        const was = part.notes.get(note.id);
        const from = was ? view.x(was.start) : x;
        if (Math.max(x + w, from) < 0 || Math.min(x, from) > view.width) continue;
        const y = view.y(note.pitch) + 1;
        const merges = landing.merging.has(note.id);
        ctx.strokeStyle = merges ? c.trouble : c.ink;
        ctx.lineWidth = 1.5;
        ctx.setLineDash([3, 2]);
        ctx.strokeRect(x + 0.5, y + 0.5, w - 1, h - 1);
        ctx.setLineDash([]);
        ctx.beginPath();
        const middle = y + h / 2;
        if (Math.abs(from - x) >= 2) {
            ctx.moveTo(from, middle);
            ctx.lineTo(x, middle);
        }
        if (landing.far.has(note.id)) {
            const way = x > from ? -1 : 1;
            ctx.moveTo(x + way * 5, middle - 4);
            ctx.lineTo(x, middle);
            ctx.lineTo(x + way * 5, middle + 4);
        }
        if (merges) {
            const cx = x + Math.min(w / 2, 8);
            ctx.moveTo(cx - CROSS, middle - CROSS);
            ctx.lineTo(cx + CROSS, middle + CROSS);
            ctx.moveTo(cx + CROSS, middle - CROSS);
            ctx.lineTo(cx - CROSS, middle + CROSS);
        }
        ctx.stroke();
    }
    ctx.fillStyle = c.trouble;
    for (const id of landing.dropped) {
        const note = part.notes.get(id);
        if (!note) continue;
        const x = view.x(note.start);
        const w = Math.max(6, note.length * view.scale + 2);
        if (x + w > 0 && x < view.width) ctx.fillRect(x - 2, Math.round(view.y(note.pitch) + view.row / 2) - 1, w, 2);
    }
}

/** Two lines below each note that meets a condition. */
function paintMarked(
    ctx: CanvasRenderingContext2D,
    view: View,
    part: Part,
    marked: ReadonlySet<number>,
    c: Colours,
): void {
    ctx.fillStyle = c.ink;
    part.between(Math.floor(view.left), Math.ceil(view.right), (note) => {
        if (!marked.has(note.id)) return;
        const x = view.x(note.start);
        const w = Math.max(4, note.length * view.scale - 1);
        const y = Math.round(view.y(note.pitch) + view.row);
        ctx.fillRect(x, y - 2, w, 1.5);
        ctx.fillRect(x, y + 1, w, 1.5);
    });
}

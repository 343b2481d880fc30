import { Lane } from '../rules/lane';
import type { Note } from '../api/tables';
import { titleOf } from './lanes.svelte';
import type { RollState } from './roll-state';

/** What may be drawn on a note, one after another by its key. */
const KINDS = ['bend', 'pressure', 'cc:11', 'cc:1'];
const HEIGHT = 110;
const NARROW = 120;

/** A model of paper laid over a note, to draw on: where it lies. */
export interface Box {
    x: number;
    y: number;
    w: number;
    h: number;
}

/** The curves that one note has of its own, opened in place. */
export class OwnCurves {
    /** The note that is opened; null while none is. */
    note = $state<number | null>(null);
    lane = $state('bend');
    /** What is drawn before it is let go: ticks from the note's start, and value. */
    stroke: { points: [number, number][]; clears: boolean } | null = null;

    constructor(private readonly model: RollState) {}

    get open(): Note | null {
        return this.note === null ? null : (this.model.part.notes.get(this.note) ?? null);
    }

    turn(): void {
        const { song, part } = this.model;
        const [first] = song.selectedNotes;
        if (this.open) return this.away();
        if (!first) return song.tell('Select a note to draw on.');
        if (this.model.isDrums) return song.tell('All drums share one channel, so a single one cannot have curves.');
        this.note = first.id;
        const names = Object.keys(curvesOf(first));
        this.lane = names[0] ?? 'bend';
        this.model.view.reveal(first.start, first.start + first.length, first.pitch - 3, first.pitch + 3);
        song.tell(
            `Drawing on ${this.model.rowName(first.pitch)} at ${song.time.position(first.start, part.lines)}: ${titleOf(this.lane).toLowerCase()}. V: another curve; Esc closes it.`,
        );
        this.model.touchAll();
    }

    away(): void {
        this.note = null;
        this.stroke = null;
        this.model.touchAll();
        this.model.touch('overlay');
        this.model.song.tell('The curves of the note are closed.');
    }

    next(): void {
        const kinds = [...new Set([...KINDS, ...(this.open ? Object.keys(curvesOf(this.open)) : [])])];
        this.lane = kinds[(kinds.indexOf(this.lane) + 1) % kinds.length]!;
        this.model.song.tell(`Drawing ${titleOf(this.lane).toLowerCase()} on the note.`);
        this.model.touch('overlay');
    }

    get box(): Box | null {
        const note = this.open;
        if (!note) return null;
        const { view } = this.model;
        const w = Math.max(NARROW, note.length * view.scale);
        const y = view.y(note.pitch) + view.row / 2 - HEIGHT / 2;
        return {
            x: view.x(note.start),
            y: Math.max(4, Math.min(view.height - HEIGHT - 4, y)),
            w,
            h: Math.min(HEIGHT, view.height - 8),
        };
    }

    /** Ticks from the note's start, and the value, at a place on the paper. */
    at(x: number, y: number): [number, number] {
        const { box, open } = this;
        if (!box || !open) return [0, 0];
        const ticks = Math.max(0, Math.min(open.length, Math.round(((x - box.x) / box.w) * open.length)));
        const value = new Lane(this.lane).at(1 - (y - box.y) / box.h);
        // Near the middle a bend is none.
        return [ticks, this.lane === 'bend' && Math.abs(value) < 300 ? 0 : value];
    }
}

/** A note's own curves: by lane, ticks from its start and values. */
export function curvesOf(note: Note): Record<string, [number, number][]> {
    return note.own ? (JSON.parse(note.own) as Record<string, [number, number][]>) : {};
}

import { counted } from '../rules/counted';
import { Lane } from '../rules/lane';
import { lengthWords } from '../rules/note-value';
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
    /** The point that the keys are for: its ticks from the note's start; null while none is. */
    held = $state<number | null>(null);
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
        this.held = null;
        const names = Object.keys(curvesOf(first));
        this.lane = names[0] ?? 'bend';
        this.model.view.reveal(first.start, first.start + first.length, first.pitch - 3, first.pitch + 3);
        song.tell(
            `Drawing on ${this.model.rowName(first.pitch)} at ${song.time.position(first.start, part.lines)}: ${titleOf(this.lane).toLowerCase()}, ${counted(this.points.length, 'point')}.`,
        );
        this.model.touchAll();
    }

    away(): void {
        this.note = this.held = null;
        this.stroke = null;
        this.model.touchAll();
        this.model.touch('overlay');
        this.model.song.tell('The curves of the note are closed.');
    }

    next(): void {
        const kinds = [...new Set([...KINDS, ...(this.open ? Object.keys(curvesOf(this.open)) : [])])];
        this.lane = kinds[(kinds.indexOf(this.lane) + 1) % kinds.length]!;
        this.held = null;
        this.model.song.tell(`Drawing ${titleOf(this.lane).toLowerCase()} on the note.`);
        this.model.touch('overlay');
    }

    /** Of the curve that is drawn: ticks from the note's start and values, in order. */
    get points(): readonly [number, number][] {
        return this.open ? (curvesOf(this.open)[this.lane] ?? []) : [];
    }

    /** What the curve has at a place: the value of the point there or before it. */
    valueAt(ticks: number): number {
        return this.points.findLast(([t]) => t <= ticks)?.[1] ?? (this.lane === 'bend' ? 0 : 64);
    }

    /** A value as it is said, and as it is asked for: a bend in semitones and cents. */
    words(value: number): string {
        return this.lane === 'bend' ? bendWords(this.amount(value)) : String(value);
    }

    /** A value in the units in which it is asked for: cents of a bend, else as it is. */
    amount(value: number): number {
        return this.lane === 'bend' ? (value * this.model.part.bendRange) / 8192 : value;
    }

    /** Takes a point in hand, and says where it is. */
    take(ticks: number | null): void {
        const { song } = this.model;
        this.held = ticks;
        this.model.touch('overlay');
        const place = this.points.findIndex(([t]) => t === ticks);
        if (ticks === null || place < 0) return;
        song.tell(
            `${titleOf(this.lane)} ${this.words(this.points[place]![1])}, ${ticks === 0 ? 'where the note starts' : `${lengthWords(ticks, song.time.ppq)} into the note`}: point ${place + 1} of ${this.points.length}.`,
        );
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

/** Cents as they are said: "+2 semitones", "−30 cents". */
function bendWords(cents: number): string {
    const all = Math.round(Math.abs(cents));
    const [whole, rest] = [Math.floor(all / 100), all % 100];
    const words = [whole > 0 && counted(whole, 'semitone'), (rest > 0 || whole === 0) && counted(rest, 'cent')];
    return `${cents > 0 ? '+' : cents < 0 ? '−' : ''}${words.filter(Boolean).join(' ')}`;
}

/** A note's own curves: by lane, ticks from its start and values. */
export function curvesOf(note: Note): Record<string, [number, number][]> {
    return note.own ? (JSON.parse(note.own) as Record<string, [number, number][]>) : {};
}

import { distanceWords } from '../../rules/note-value';
import type { Part } from '../../api/part.svelte';
import type { Note } from '../../api/tables';
import type { Command } from '../../api/types';
import type { View } from '../../stage/view';
import { stepped, stepsTo } from '../../rules/scale';
import * as make from '../commands/make';
import type { Shift } from '../layers/overlay';

/** How far the pointer goes before a press is a drag, in pixels. */
export const DRAG_FROM = 4;

export type Grip = 'move' | 'start' | 'end' | 'feel';

export interface Held {
    shift: boolean;
    alt: boolean;
}

const NOTHING: Shift = { start: 0, length: 0, pitch: 0 };

/**
 * Notes under the hand. A drag holds to the axis on which it began (Shift frees it); in time it goes to the grid's
 * lines, and with scale lock in pitch by steps of the scale (Alt suspends both). Of an edge all notes change by the same, or with Shift all end together. `feel`, with Mod, changes length sideways and velocity up and down, as the arrows do.
 */
export class NoteDrag {
    shift: Shift = { ...NOTHING };
    velocity = 0;
    private axis: 'time' | 'pitch' | null = null;
    private rows: readonly number[] | null = null;
    private steps = 0;
    /** The scale by whose steps it goes, with scale lock on. */
    private scale: ReadonlySet<number> | null = null;

    constructor(
        private readonly part: Part,
        readonly notes: Note[],
        readonly grabbed: Note,
        private readonly grip: Grip,
        private readonly x0: number,
        private readonly y0: number,
    ) {}

    move(view: View, x: number, y: number, held: Held): void {
        const [dx, dy] = [x - this.x0, y - this.y0];
        if (Math.hypot(dx, dy) < DRAG_FROM) return;
        this.axis ??= Math.abs(dx) >= Math.abs(dy) ? 'time' : 'pitch';
        const free = held.shift && this.grip === 'move';
        const along = this.grip === 'start' || this.grip === 'end' || free || this.axis === 'time';
        const across = (this.grip === 'move' || this.grip === 'feel') && (free || this.axis === 'pitch');
        const ticks = along ? this.ticks(dx / view.scale, held.alt) : 0;
        this.shift = { ...NOTHING };
        this.velocity = 0;
        if (this.grip === 'end' && held.shift) {
            const end = this.grabbed.start + this.grabbed.length + ticks;
            this.shift = { ...NOTHING, length: ticks, end };
        } else if (this.grip === 'move')
            this.shift.start = Math.max(ticks, -Math.min(...this.notes.map((n) => n.start)));
        else if (this.grip === 'start') this.shift = { start: ticks, length: -ticks, pitch: 0 };
        else this.shift.length = ticks;
        if (across && this.grip === 'move') {
            const pitches = this.notes.map((n) => n.pitch);
            const rows = -Math.round(dy / view.row);
            // Where only some rows are shown, the one in hand goes from row to row, and the others as far.
            const wanted = view.rowOn(this.grabbed.pitch, rows) - this.grabbed.pitch;
            this.rows = view.rows;
            this.steps = view.slot(this.grabbed.pitch + wanted) - view.slot(this.grabbed.pitch);
            this.scale = view.rows || held.alt ? null : this.part.lockedScale;
            if (this.scale) this.inScale(this.scale, rows);
            else
                this.shift.pitch = view.rows
                    ? wanted
                    : Math.max(-Math.min(...pitches), Math.min(127 - Math.max(...pitches), rows));
        } else if (across) {
            this.velocity = Math.max(-126, Math.min(126, -Math.round(dy / 2)));
        }
    }

    /** By steps of a scale, each note by its own, as far as all stay on the keyboard. */
    private inScale(scale: ReadonlySet<number>, rows: number): void {
        let steps = stepsTo(scale, this.grabbed.pitch, this.grabbed.pitch + rows);
        const leaves = (n: Note): boolean => stepped(scale, n.pitch, steps) < 0 || stepped(scale, n.pitch, steps) > 127;
        while (steps !== 0 && this.notes.some(leaves)) steps -= Math.sign(steps);
        this.steps = steps;
        this.shift.pitch = stepped(scale, this.grabbed.pitch, steps) - this.grabbed.pitch;
        this.shift.pitchOf = (pitch) => stepped(scale, pitch, steps);
    }

    /** By how much the held edge moves: to a line of the grid, or freely. */
    private ticks(exact: number, free: boolean): number {
        if (free) return Math.round(exact);
        const edge =
            this.grip === 'end' || this.grip === 'feel' ? this.grabbed.start + this.grabbed.length : this.grabbed.start;
        return this.part.lines.nearest(Math.max(0, edge + exact)) - edge;
    }

    get idle(): boolean {
        return (
            this.axis === null ||
            (this.shift.start === 0 && this.shift.length === 0 && this.shift.pitch === 0 && this.velocity === 0)
        );
    }

    /** What a drop asks of the server: edits like any others, one step together. */
    commands(): Command[] {
        if (this.idle) return [];
        const { start, length, pitch, end } = this.shift;
        const commands: Command[] = [];
        if (end !== undefined) commands.push(make.endAt(end));
        else if (this.grip === 'start') commands.push(make.startBy(start));
        else if (start !== 0) commands.push(make.moveBy(start));
        if (pitch !== 0) commands.push(this.inPitch(pitch));
        if (length !== 0 && this.grip !== 'start' && end === undefined) commands.push(make.lengthenBy(length));
        if (this.velocity !== 0) commands.push(make.louderBy(this.velocity));
        return commands;
    }

    private inPitch(semitones: number): Command {
        if (this.rows) return make.stepInRows(this.steps, this.rows);
        return this.scale ? make.stepsBy(this.steps) : make.transposeBy(semitones);
    }

    /** What it does so far; lengths by the ticks of a quarter. */
    words(ppq: number): string {
        const parts: string[] = [];
        if (this.shift.start) parts.push(distanceWords(this.shift.start, ppq));
        if (this.shift.pitch && this.scale)
            parts.push(
                `${signed(this.steps)} ${Math.abs(this.steps) === 1 ? 'step' : 'steps'} of ${this.part.scaleName}`,
            );
        else if (this.shift.pitch)
            parts.push(`${signed(this.shift.pitch)} ${Math.abs(this.shift.pitch) === 1 ? 'semitone' : 'semitones'}`);
        if (this.shift.length && this.grip !== 'start') parts.push(`length ${distanceWords(this.shift.length, ppq)}`);
        if (this.velocity) parts.push(`velocity ${signed(this.velocity)}`);
        return parts.join(', ');
    }
}

export function signed(n: number): string {
    return n > 0 ? `+${n}` : n < 0 ? `−${-n}` : '0';
}

const EDGE = 6;
const EDGED_WIDTH = 18;

/** Pixels behind a note in which its end is taken, so that a short one can be made longer. */
export const OUTSIDE = 4;
/** Pixels behind a note that are its own in any case. */
const NEAR = 2;

/**
 * The note at a place on screen, the topmost first, and which of its edges is there. Where nothing else lies there, its end
 * is taken from some pixels behind it too.
 */
export function noteAt(
    view: View,
    part: Part,
    selected: ReadonlySet<number>,
    x: number,
    y: number,
    outside = 0,
): { note: Note; grip: Grip } | null {
    const tick = view.tick(x);
    const pitch = view.pitch(y);
    let hit: Note | null = null;
    const look = (from: number, to: number): void =>
        part.between(Math.floor(from), Math.ceil(to), (note) => {
            if (note.pitch === pitch && (!hit || !selected.has(hit.id) || selected.has(note.id))) hit = note;
        });
    look(tick - NEAR / view.scale, tick + 1);
    if (!hit && outside > 0) look(tick - outside / view.scale, tick);
    if (!hit) return null;
    const found: Note = hit;
    const [left, right] = [view.x(found.start), view.x(found.start + found.length)];
    const wide = right - left >= EDGED_WIDTH;
    if (outside > 0 && x >= right) return { note: found, grip: 'end' };
    return { note: found, grip: wide && x > right - EDGE ? 'end' : wide && x < left + EDGE - 1 ? 'start' : 'move' };
}

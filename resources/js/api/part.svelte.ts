import { DRUM_CHANNEL } from '../contract';
import { nearest, stepped } from '../rules/scale';
import { notesOf, otherwise, pointsOf, rowOf, rowOfPoint, type Note, type Point } from './tables';
import { Heard } from './heard';
import { Lines } from '../rules/lines';
import type { LinesData, NoteRow, PartChange, PartData, PartHead, Pen, PointRow, ScaleData, Settings } from './types';

const BLOCK = 256;

/** A part as the interface holds it: its notes by id and in order of start, so that what is in view is found fast. */
export class Part {
    readonly id: number;
    head = $state.raw<PartHead>(null as unknown as PartHead);
    settings = $state.raw<Settings>(null as unknown as Settings);
    lines = $state.raw<Lines>(null as unknown as Lines);
    private pen: Pen = { ticks: 1 };
    /** Cents that a bend reaches. */
    bendRange = 200;
    /** The pitch classes of a scale of its own; null where it has none. */
    private ownScale = $state.raw<readonly number[] | null>(null);
    /** The pitch classes of the scale that holds in it, its own or the song’s. */
    readonly scale = $derived.by(() => {
        const classes = this.ownScale ?? this.song.scale?.classes;
        return classes ? new Set(classes) : null;
    });
    /** In order of time. */
    points: Point[] = [];
    /** Goes up whenever a note changed. */
    version = $state(0);
    readonly notes = new Map<number, Note>();
    ordered: Note[] = [];
    /** The ordered notes once more, as columns: what is drawn by the ten thousand is read from here. */
    starts = new Float64Array(0);
    lengths = new Float64Array(0);
    pitches = new Uint8Array(0);
    velocities = new Uint8Array(0);
    mutes = new Uint8Array(0);
    /** Places in the order of the notes that were pushed past the loudest or the softest: they are few. */
    carried: number[] = [];
    /** Stretches in which a note sounds into a later one of its pitch and channel, as the server found them: from, until, pitch. */
    overlaps = $state.raw<[number, number, number][]>([]);
    /** What is heard of it, where its rows do not say that. */
    readonly heard = new Heard(this);
    private readonly pointsById = new Map<number, Point>();
    /** The part as it is, while it is shown otherwise. */
    private aside: { notes: NoteRow[]; points: PointRow[] } | null = null;
    /** The latest end in each block of ordered notes. */
    private blockEnds: number[] = [];
    cameHere = false;

    /** @param tables the lines that parts share, by name */
    constructor(
        data: PartData,
        private readonly song: { readonly scale: ScaleData | null },
        tables: Record<string, LinesData> = {},
    ) {
        this.id = data.id;
        this.load(data, tables);
    }

    /** It came while the song was open here, by an edit or a way through the history. */
    came(): this {
        this.cameHere = true;
        return this;
    }

    get name(): string {
        return this.head.name;
    }

    get trackId(): number {
        return this.head.track;
    }

    /** Takes over everything as the server has it. */
    load(data: PartData, tables: Record<string, LinesData> = {}): void {
        this.aside = null;
        const { id, track, name, from, to, muted, plays } = data;
        this.head = { id, track, name, from, to, muted, plays };
        this.heard.take(data);
        this.settings = data.settings;
        this.pen = data.pen;
        this.bendRange = data.bendRange;
        this.ownScale = data.scale;
        this.lines = new Lines(typeof data.lines === 'string' ? tables[data.lines]! : data.lines);
        this.notes.clear();
        this.pointsById.clear();
        this.putPoints(pointsOf(data.points));
        this.put(notesOf(data.notes));
    }

    apply(change: PartChange): void {
        this.showAsItIs();
        if (change.head) this.head = change.head;
        if (change.shift) this.shift(change.shift);
        this.heard.take(change);
        for (const id of change.dropPoints) this.pointsById.delete(id);
        if (change.changedPoints) otherwise(this.pointsById, change.changedPoints);
        if (change.changedPoints || change.putPoints.length + change.dropPoints.length > 0)
            this.putPoints(pointsOf(change.putPoints));
        for (const id of change.drop) this.notes.delete(id);
        if (change.changed) otherwise(this.notes, change.changed);
        if (change.changed || change.put.length + change.drop.length > 0) this.put(notesOf(change.put));
        else if (change.shift || change.head) {
            // Another list, for whoever looks whether it is the one that it knew.
            this.ordered = this.ordered.slice();
            this.version++;
        }
        if (change.settings) this.settings = change.settings;
        if (change.pen) this.pen = change.pen;
        if (change.bendRange) this.bendRange = change.bendRange;
        if (change.scale !== undefined) this.ownScale = change.scale;
        if (change.lines) this.lines = new Lines(change.lines);
    }

    /** All of it went later: the order stays, and the notes are the same. */
    private shift(ticks: number): void {
        for (const note of this.ordered) {
            note.start += ticks;
            if (note.until !== 0) note.until += ticks;
        }
        for (let i = 0; i < this.starts.length; i++) this.starts[i]! += ticks;
        for (let b = 0; b < this.blockEnds.length; b++) this.blockEnds[b]! += ticks;
        for (const [id, point] of this.pointsById) this.pointsById.set(id, { ...point, tick: point.tick + ticks });
        this.heard.shift(ticks);
        if (this.pointsById.size > 0) this.putPoints([]);
    }

    /** Shows (and plays) the part with some notes otherwise, until `showAsItIs`. */
    showOtherwise(change: PartChange): void {
        const aside = this.aside ?? {
            notes: [...this.notes.values()].map(rowOf),
            points: [...this.pointsById.values()].map(rowOfPoint),
        };
        this.apply({ ...change, head: undefined });
        this.aside = aside;
    }

    showAsItIs(): void {
        if (!this.aside) return;
        const { notes, points } = this.aside;
        this.aside = null;
        this.notes.clear();
        this.pointsById.clear();
        this.putPoints(pointsOf(points));
        this.put(notesOf(notes));
    }

    private putPoints(points: readonly Point[]): void {
        for (const point of points) this.pointsById.set(point.id, point);
        this.points = [...this.pointsById.values()].sort((a, b) => a.tick - b.tick || a.id - b.id);
    }

    private put(notes: readonly Note[]): void {
        for (const note of notes) this.notes.set(note.id, note);
        this.ordered = [...this.notes.values()].sort((a, b) => a.start - b.start || a.pitch - b.pitch || a.id - b.id);
        this.columns();
        this.blockEnds = [];
        for (let i = 0; i < this.ordered.length; i += BLOCK) {
            let end = 0;
            for (let k = i; k < Math.min(i + BLOCK, this.ordered.length); k++) {
                const n = this.ordered[k]!;
                end = Math.max(end, n.start + n.length);
            }
            this.blockEnds.push(end);
        }
        this.version++;
    }

    private columns(): void {
        const count = this.ordered.length;
        if (this.starts.length !== count) {
            this.starts = new Float64Array(count);
            this.lengths = new Float64Array(count);
            this.pitches = new Uint8Array(count);
            this.velocities = new Uint8Array(count);
            this.mutes = new Uint8Array(count);
        }
        this.carried = [];
        for (let i = 0; i < count; i++) {
            const n = this.ordered[i]!;
            if (n.carryVelocity !== 0) this.carried.push(i);
            this.starts[i] = n.start;
            this.lengths[i] = n.length;
            this.pitches[i] = n.pitch;
            this.velocities[i] = n.velocity;
            this.mutes[i] = n.muted;
        }
    }

    /** What the scale that holds in it is called; empty where there is none. */
    get scaleName(): string {
        return this.settings.scale ?? this.song.scale?.name ?? '';
    }

    /** The scale by whose steps plain steps go: its own or the song's, with scale lock on; null where they are semitones. */
    get lockedScale(): ReadonlySet<number> | null {
        return this.settings.held && this.channel !== DRUM_CHANNEL ? this.scale : null;
    }

    /** The row of the scale nearest to one, of two as near the lower; without scale lock the row itself. */
    rowHeld(pitch: number, always = false): number {
        return this.lockedScale && !always ? nearest(this.lockedScale, pitch) : pitch;
    }

    /** Notes, and with each grouped one all of its group. */
    grouped(ids: Iterable<number>): number[] {
        const all = new Set(ids);
        const groups = new Set([...all].map((id) => this.notes.get(id)?.group ?? 0));
        groups.delete(0);
        if (groups.size > 0)
            for (const n of this.ordered) if (groups.has(n.group) && this.holds(n.start)) all.add(n.id);
        return [...all];
    }

    /** Whether a pitch lies outside the part's scale. */
    isOutside(pitch: number): boolean {
        return this.scale !== null && this.channel !== DRUM_CHANNEL && !this.scale.has(pitch % 12);
    }

    /** The next row of the scale from a row; without scale lock the next of all. */
    rowBeside(pitch: number, way: number, always: boolean): number {
        return this.lockedScale && !always ? stepped(this.lockedScale, pitch, way) : pitch + way;
    }

    /** How long the pen writes at a tick; the length of its bars is read off the lines. */
    penTicks(tick: number): number {
        if ('ticks' in this.pen) return this.pen.ticks;
        const bar = this.lines.barAt(tick);
        return this.lines.barNumber(bar.index + this.pen.bars).start - bar.start;
    }

    hasPoint(id: number): boolean {
        return this.pointsById.has(id);
    }

    /** Whether a note starts where the part is heard. */
    holds(tick: number): boolean {
        return tick >= this.head.from && (this.head.to === null || tick < this.head.to);
    }

    /** The notes that sound anywhere between two ticks, in order of start. */
    between(from: number, to: number, visit: (note: Note) => void): void {
        this.places(from, to, (i) => visit(this.ordered[i]!));
    }

    /** Their places in the order, for reading the columns. */
    places(from: number, to: number, visit: (place: number) => void): void {
        const { starts, lengths } = this;
        for (let b = 0; b < this.blockEnds.length; b++) {
            if (this.blockEnds[b]! <= from) continue;
            if (starts[b * BLOCK]! >= to) return;
            const last = Math.min((b + 1) * BLOCK, starts.length);
            for (let i = b * BLOCK; i < last; i++) {
                if (starts[i]! >= to) return;
                if (starts[i]! + lengths[i]! > from) visit(i);
            }
        }
    }

    /** Index of the first note that starts at or after a tick. */
    firstFrom(tick: number): number {
        let low = 0;
        let high = this.ordered.length;
        while (low < high) {
            const mid = (low + high) >> 1;
            if (this.ordered[mid]!.start < tick) low = mid + 1;
            else high = mid;
        }
        return low;
    }

    /** Whether nothing in it says what it sounds on. */
    get isBare(): boolean {
        return this.notes.size === 0 && this.points.length === 0;
    }

    /** The channel that what is played into it sounds on: that of its first note, else of its first point. */
    get channel(): number {
        for (const note of this.notes.values()) return note.channel;
        return (this.points[0]?.status ?? 0) & 0x0f;
    }

    get lastEnd(): number {
        return this.blockEnds.reduce((a, b) => Math.max(a, b), 0);
    }

    get firstStart(): number {
        return this.ordered[0]?.start ?? this.head.from;
    }
}

/** Parts of a track as they follow one another: by their windows, those that begin together by what is in them. */
export function byPlace(a: Part, b: Part): number {
    const inside = a.notes.size === 0 || b.notes.size === 0 ? 0 : a.firstStart - b.firstStart;
    return a.head.from - b.head.from || inside || a.id - b.id;
}

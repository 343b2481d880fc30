import {
    noteOf,
    rowOf,
    type Lines,
    type Note,
    type NoteRow,
    type PartAnswer,
    type PartData,
    type Point,
    type Settings,
} from './types';

const BLOCK = 256;

/** A part as the interface holds it: its notes by id and in order of start, so that what is in view is found fast. */
export class Part {
    readonly id: number;
    readonly trackId: number;
    name: string;
    settings = $state.raw<Settings>(null as unknown as Settings);
    lines = $state.raw<Lines>(null as unknown as Lines);
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
    /** Stretches in which a note sounds into a later one of its pitch and channel: from, until, pitch. */
    overlaps: [number, number, number][] = [];
    /** The part as it is, while it is shown otherwise. */
    private aside: { notes: NoteRow[]; points: Point[] } | null = null;
    /** The latest end in each block of ordered notes. */
    private blockEnds: number[] = [];

    constructor(trackId: number, data: PartData) {
        this.id = data.id;
        this.trackId = trackId;
        this.name = data.name;
        this.load(data);
    }

    /** Takes over everything as the server has it. */
    load(data: PartData): void {
        this.aside = null;
        this.settings = data.settings;
        this.lines = data.lines;
        this.points = data.points;
        this.notes.clear();
        this.put(data.notes);
    }

    apply(answer: PartAnswer): void {
        this.showAsItIs();
        if (answer.points) this.points = answer.points;
        for (const id of answer.drop) this.notes.delete(id);
        if (answer.put.length + answer.drop.length > 0) this.put(answer.put);
        if (answer.settings) this.settings = answer.settings;
        if (answer.lines) this.lines = answer.lines;
    }

    /** Shows (and plays) the part with some notes otherwise, until `showAsItIs`. */
    showOtherwise(answer: PartAnswer): void {
        const aside = this.aside ?? { notes: [...this.notes.values()].map(rowOf), points: this.points };
        this.apply(answer);
        this.aside = aside;
    }

    showAsItIs(): void {
        if (!this.aside) return;
        const { notes, points } = this.aside;
        this.aside = null;
        this.points = points;
        this.notes.clear();
        this.put(notes);
    }

    private put(rows: NoteRow[]): void {
        for (const row of rows) this.notes.set(row[0], noteOf(row));
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
        this.overlaps = [];
        const ends = new Float64Array(128 * 16);
        for (let i = 0; i < count; i++) {
            const n = this.ordered[i]!;
            this.starts[i] = n.start;
            this.lengths[i] = n.length;
            this.pitches[i] = n.pitch;
            this.velocities[i] = n.velocity;
            this.mutes[i] = n.muted ? 1 : 0;
            if (n.muted) continue;
            const key = n.channel * 128 + n.pitch;
            const until = Math.min(ends[key]!, n.start + n.length);
            if (until > n.start) this.overlaps.push([n.start, until, n.pitch]);
            ends[key] = Math.max(ends[key]!, n.start + n.length);
        }
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

    /** The channel that what is played into it sounds on: that of its first note, else of its first point. */
    get channel(): number {
        for (const note of this.notes.values()) return note.channel;
        return (this.points[0]?.[1] ?? 0) & 0x0f;
    }

    get lastEnd(): number {
        return this.blockEnds.reduce((a, b) => Math.max(a, b), 0);
    }

    /** Start of the bar that the first note is meant for: one played a little early belongs to the next. */
    get firstBar(): number {
        const { bars } = this.lines;
        const slack = ((bars[1] ?? 0) - bars[0]!) / 16;
        return bars.findLast((b) => b <= this.firstStart + slack) ?? 0;
    }

    get firstStart(): number {
        return this.ordered[0]?.start ?? 0;
    }
}

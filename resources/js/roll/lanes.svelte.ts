import { counted } from '../rules/counted';
import { Lane } from '../rules/lane';
import type { Point } from '../api/tables';
import { commands } from '../keys/commands.svelte';
import type { RollState } from './roll-state';

const KEPT = 'jactonic.lanes';
const SETS = 'jactonic.lane-sets';

/** Lanes that are called together, by a name. */
export interface LaneSet {
    name: string;
    lanes: readonly string[];
}

/** Programs from, to, and the set that is theirs: pianos, strings, winds, synthesizers. */
const KINDS: readonly [number, number, number][] = [
    [0, 7, 1],
    [40, 51, 0],
    [56, 79, 2],
    [80, 103, 3],
];

/** What the sets are before they are kept otherwise. */
const SHIPPED: readonly LaneSet[] = [
    { name: 'Strings', lanes: ['cc:11', 'cc:1'] },
    { name: 'Keys', lanes: ['cc:64'] },
    { name: 'Winds', lanes: ['cc:2', 'cc:11', 'bend'] },
    { name: 'Synths', lanes: ['cc:74', 'cc:1', 'bend'] },
];
const HEIGHTS = 'jactonic.lane-heights';
const HEIGHT = 80;
/** The velocities, which always come first. */
export const VELOCITIES = 'velocity';
const HIGHER = 96;
const LEAST = 44;
const MOST = 240;
/** Of the roll's height, how much all lanes together may take. */
const MOST_OF_ROOM = 0.55;

/** Lanes below the notes, besides the velocities: which are shown, how high, and what is being drawn in one. */
export class Lanes {
    shown = $state.raw<readonly string[]>([]);
    heights = $state.raw<Readonly<Record<string, number>>>(readHeights());
    /** Pixels that the roll is high. */
    room = $state(Infinity);
    /** Four sets of lanes, each under a key. */
    sets = $state.raw<readonly LaneSet[]>(readSets());
    /** What is drawn before it is let go: tick and value. */
    stroke: { lane: string; points: [number, number][]; clears: boolean } | null = null;
    /** By how much a point in hand is moved. */
    held: { lane: string; ticks: number; by: number } | null = null;

    /** The value typed last for a point, by lane: for the next one, where the lane holds none. */
    readonly typed = new Map<string, number>();

    /** Points by lane, as long as those of the part are the same. */
    private readonly known = new Map<string, { of: readonly Point[]; points: readonly Point[] }>();

    constructor(private readonly model: RollState) {
        this.shown = this.kept() ?? this.ofKind();
    }

    /** What was shown of this track when it was seen last; null where it was not. */
    private kept(): readonly string[] | null {
        return localStorage.getItem(this.own) === null ? null : read(this.own);
    }

    /** What a new track, with nothing in it yet, begins with: the set of its kind; others with none. */
    private ofKind(): readonly string[] {
        const track = this.model.song.trackOf(this.model.part);
        if (track.parts.some((p) => p.notes.size > 0) || !track.sound || track.sound.drums) return [];
        const set = KINDS.find(([from, to]) => track.sound!.program >= from && track.sound!.program <= to);
        return set ? this.sets[set[2]]!.lanes : [];
    }

    /** Where what is shown is kept: lanes belong to the song and the track. */
    private get own(): string {
        const { song, part } = this.model;
        return `${KEPT}.${song.id}.${part.trackId}`;
    }

    /** A low window, or one at twice the size, keeps its room for the notes. */
    height(lane: string): number {
        const wanted = this.heights[lane] ?? (lane === VELOCITIES ? HIGHER : HEIGHT);
        return Math.floor(Math.min(wanted, (this.room * MOST_OF_ROOM) / (this.shown.length + 1)));
    }

    setHeight(lane: string, height: number): void {
        this.heights = { ...this.heights, [lane]: Math.max(LEAST, Math.min(MOST, Math.round(height))) };
        localStorage.setItem(HEIGHTS, JSON.stringify(this.heights));
    }

    /**
     * Shows a lane and works in it; the one that is worked in is put away. What the next command works on follows from the
     * lane and from the selection: where a command still changes that, it waits, and so do the keys behind it.
     */
    turn(lane: string): void {
        this.model.song.withSelection(() => this.turnTo(lane));
    }

    private turnTo(lane: string): void {
        const { song } = this.model;
        if (lane === 'none') {
            this.keep([]);
            song.selection.focus(null);
            return song.tell('Only the velocities are shown.');
        }
        if (!this.shown.includes(lane)) {
            this.keep([...this.shown, lane]);
            this.focus(lane);
        } else if (song.selection.lane !== lane) this.focus(lane);
        else this.away(lane);
    }

    /** Shows a set of lanes. */
    call(number: number): void {
        const set = this.sets[number - 1];
        if (set) this.model.song.withSelection(() => this.show(set));
    }

    private show(set: LaneSet): void {
        const { song } = this.model;
        this.keep(set.lanes);
        if (!set.lanes.includes(song.selection.lane ?? '')) song.selection.focus(null);
        song.tell(
            `Lanes of “${set.name}”: ${set.lanes.length === 0 ? 'only velocities' : set.lanes.map(titleOf).join(', ')}.`,
        );
    }

    /** Keeps the lanes that are shown as a set; with a name, calls it so. */
    store(number: number, name = this.sets[number - 1]!.name): void {
        this.put(number, { name, lanes: this.shown });
        this.model.song.tell(`The lanes shown are kept as “${name}”.`);
    }

    rename(number: number, name: string): void {
        const called = name.trim().slice(0, 60);
        if (called) this.put(number, { ...this.sets[number - 1]!, name: called });
    }

    private put(number: number, set: LaneSet): void {
        this.sets = this.sets.map((s, i) => (i === number - 1 ? set : s));
        localStorage.setItem(SETS, JSON.stringify(this.sets));
    }

    /** Shows a lane in which something is drawn; where one works stays. */
    reveal(lane: string): void {
        if (!this.shown.includes(lane)) this.keep([...this.shown, lane]);
    }

    away(lane: string): void {
        const { song } = this.model;
        this.keep(this.shown.filter((l) => l !== lane));
        if (song.selection.lane === lane) song.selection.focus(null);
        song.tell(`${titleOf(lane)} is hidden.`);
    }

    focus(lane: string | null): void {
        const { song, part } = this.model;
        song.selection.focus(lane);
        const count = lane ? this.pointsOf(lane).length : 0;
        song.tell(
            lane
                ? `In the lane of ${titleOf(lane)}: ${counted(count, 'point')}; Esc goes back to the notes.`
                : `At the notes of ${part.name}.`,
        );
        this.model.touchAll();
    }

    /** The lane after the one that is worked in; after the last, the notes. */
    next(): boolean {
        if (this.shown.length === 0) return false;
        this.model.song.withSelection(() => {
            const at = this.shown.indexOf(this.model.song.selection.lane ?? '');
            this.focus(this.shown[at + 1] ?? null);
        });
        return true;
    }

    /** Those that are heard, in order of time. */
    pointsOf(name: string): Point[] {
        return this.all(name).filter((p) => this.model.part.holds(p.tick));
    }

    /** All of a lane, in order of time. */
    all(name: string): readonly Point[] {
        const { points } = this.model.part;
        const known = this.known.get(name);
        if (known?.of === points) return known.points;
        const lane = new Lane(name);
        const found = points.filter((p) => lane.holds(p));
        this.known.set(name, { of: points, points: found });
        return found;
    }

    private keep(shown: readonly string[]): void {
        this.shown = shown;
        localStorage.setItem(this.own, JSON.stringify(shown));
    }
}

/** A value of a lane in words: "Expression 84", "Program 49 String Ensemble 1". */
export function valueWords(name: string, value: number): string {
    return `${titleOf(name)} ${name === 'program' ? `${value + 1} ${commands.programs[value] ?? ''}` : value}`;
}

export function titleOf(lane: string): string {
    const named: Record<string, string> = {
        bend: 'Pitch bend',
        pressure: 'Pressure',
        'poly-pressure': 'Pressure of keys',
        program: 'Program',
    };
    return named[lane] ?? commands.controllers[lane.slice(3)] ?? `Controller ${lane.slice(3)}`;
}

function read(key: string): string[] {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
        return Array.isArray(kept) ? kept.map(String) : [];
    } catch {
        return [];
    }
}

function readHeights(): Readonly<Record<string, number>> {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(HEIGHTS) ?? '{}');
        const entries = typeof kept === 'object' && kept !== null ? Object.entries(kept) : [];
        return Object.fromEntries(entries.filter(([, h]) => typeof h === 'number'));
    } catch {
        return {};
    }
}

function readSets(): readonly LaneSet[] {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(SETS) ?? 'null');
        return Array.isArray(kept) && kept.length === SHIPPED.length ? (kept as LaneSet[]) : SHIPPED;
    } catch {
        return SHIPPED;
    }
}

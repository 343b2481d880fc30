import { Lane } from '../api/lane';
import type { Point } from '../api/tables';
import { commands } from '../keys/commands.svelte';
import type { Sheet } from './sheet.svelte';

const KEPT = 'jactonic.lanes';
const HEIGHT = 80;
const LEAST = 40;
const MOST = 240;

/** Lanes below the notes, besides the velocities: which are shown, how high, and what is being drawn in one. */
export class Lanes {
    shown = $state.raw<readonly string[]>(read());
    heights = $state.raw<Readonly<Record<string, number>>>({});
    /** What is drawn before it is let go: tick and value. */
    stroke: { lane: string; points: [number, number][]; clears: boolean } | null = null;
    /** By how much a point in hand is moved. */
    held: { lane: string; ticks: number; by: number } | null = null;

    constructor(private readonly sheet: Sheet) {}

    height(lane: string): number {
        return this.heights[lane] ?? HEIGHT;
    }

    setHeight(lane: string, height: number): void {
        this.heights = { ...this.heights, [lane]: Math.max(LEAST, Math.min(MOST, Math.round(height))) };
    }

    /** Shows a lane and works in it; the one that is worked in is put away. */
    turn(lane: string): void {
        const { song } = this.sheet;
        if (lane === 'none') {
            this.keep([]);
            song.inLane.focus(null);
            return song.tell('Only the velocities are shown.');
        }
        if (!this.shown.includes(lane)) {
            this.keep([...this.shown, lane]);
            this.focus(lane);
        } else if (song.inLane.lane !== lane) this.focus(lane);
        else this.away(lane);
    }

    away(lane: string): void {
        const { song } = this.sheet;
        this.keep(this.shown.filter((l) => l !== lane));
        if (song.inLane.lane === lane) song.inLane.focus(null);
        song.tell(`${titleOf(lane)} is put away.`);
    }

    focus(lane: string | null): void {
        const { song, part } = this.sheet;
        song.inLane.focus(lane);
        const count = lane ? this.pointsOf(lane).length : 0;
        song.tell(
            lane
                ? `In the lane of ${titleOf(lane)}: ${count === 1 ? '1 point' : `${count} points`}; Esc goes back to the notes.`
                : `At the notes of ${part.name}.`,
        );
        this.sheet.touchAll();
    }

    /** The lane after the one that is worked in; after the last, the notes. */
    next(): boolean {
        if (this.shown.length === 0) return false;
        const at = this.shown.indexOf(this.sheet.song.inLane.lane ?? '');
        this.focus(this.shown[at + 1] ?? null);
        return true;
    }

    /** In order of time. */
    pointsOf(name: string): Point[] {
        const lane = new Lane(name);
        return this.sheet.part.points.filter((p) => lane.holds(p) && this.sheet.part.holds(p.tick));
    }

    private keep(shown: readonly string[]): void {
        this.shown = shown;
        localStorage.setItem(KEPT, JSON.stringify(shown));
    }
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

function read(): string[] {
    try {
        const kept: unknown = JSON.parse(localStorage.getItem(KEPT) ?? '[]');
        return Array.isArray(kept) ? kept.map(String) : [];
    } catch {
        return [];
    }
}

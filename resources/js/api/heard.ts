import { provisional, pointOf, type Note, type Point } from './tables';
import type { SoundsData } from '../contract';

/** What the ids of a second round are apart from those of the first. */
const ROUND = 2 ** 32;

/**
 * What is heard of a part, as the server said it: its rows, or where it plays as something else, that; and what lets go of
 * pedals and bends where it ends.
 */
export class Heard {
    private all: { notes: Note[]; points: Point[] } | null = null;
    private letGo: Point[] = [];
    /** Goes up whenever what is heard changed in a way that the rows do not say. */
    version = 0;
    private kept: { rows: readonly Point[]; letGo: Point[]; points: Point[] } | null = null;

    constructor(private readonly part: { readonly ordered: readonly Note[]; readonly points: readonly Point[] }) {}

    take({ sounds, letGo }: Partial<SoundsData>): void {
        if (letGo === undefined) return;
        this.version++;
        this.letGo = letGo.map((p) => point(-1, p));
        if (!sounds) {
            this.all = null;
            return;
        }
        const rounds = new Map<number, number>();
        const notes = sounds.notes.map(([id, start, until, pitch, velocity, channel]) => {
            const round = rounds.get(id!) ?? 0;
            rounds.set(id!, round + 1);
            return provisional({
                id: id! + round * ROUND,
                start,
                until,
                length: until! - start!,
                pitch,
                velocity,
                channel,
            });
        });
        this.all = {
            notes: notes.sort((a, b) => a.start - b.start || a.pitch - b.pitch || a.id - b.id),
            points: sounds.points.map((p, i) => point(i + 1, p)).sort((a, b) => a.tick - b.tick || a.id - b.id),
        };
    }

    /** All of it went later with the part. */
    shift(ticks: number): void {
        this.letGo = this.letGo.map((p) => ({ ...p, tick: p.tick + ticks }));
    }

    /** In order of start. */
    get notes(): readonly Note[] {
        return this.all?.notes ?? this.part.ordered;
    }

    /** The notes that have a channel to themselves. */
    get alone(): readonly Note[] {
        return this.all?.notes.filter((n) => n.channel > 15) ?? [];
    }

    /** In order of time. */
    get points(): readonly Point[] {
        if (this.all) return this.all.points;
        if (this.letGo.length === 0) return this.part.points;
        if (this.kept?.rows !== this.part.points || this.kept.letGo !== this.letGo) {
            // It is let go before what begins there.
            const points = [...this.part.points, ...this.letGo].sort((a, b) => a.tick - b.tick || a.id - b.id);
            this.kept = { rows: this.part.points, letGo: this.letGo, points };
        }
        return this.kept.points;
    }
}

/** A point with the channel that a single note has to itself. */
export type OwnPoint = Point & { channel?: number };

function point(id: number, [tick, status, data1, data2, channel]: number[]): OwnPoint {
    const made = pointOf([id, tick!, status!, data1!, data2!, 1]);
    return channel === undefined ? made : { ...made, channel };
}

/** The channel that a point is told on: of its message, or that of a single note. */
export function channelOf(point: OwnPoint): number {
    return point.channel ?? point.status & 0x0f;
}

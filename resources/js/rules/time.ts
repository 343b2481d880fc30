import type { Lines } from './lines';
import type { SongData } from '../contract';

/** Reads in the tables that the server worked out: ticks and seconds, bars and lines. */
export class Time {
    constructor(
        readonly ppq: number,
        readonly tempos: SongData['tempos'],
        readonly meters: SongData['meters'],
        readonly markers: SongData['markers'] = [],
        /** The lines that hold where no part is. */
        readonly plain: Lines | null = null,
    ) {}

    seconds(tick: number): number {
        const { tempos } = this;
        const [at, seconds, tempo] = tempos.length === 1 ? tempos[0]! : lastOf(tempos, (t) => t[0] <= tick);
        return seconds + ((tick - at) * tempo) / (this.ppq * 1e6);
    }

    tick(seconds: number): number {
        const [at, from, tempo] = lastOf(this.tempos, (t) => t[1] <= seconds);
        return at + ((seconds - from) * this.ppq * 1e6) / tempo;
    }

    tempoAt(tick: number): number {
        return 6e7 / lastOf(this.tempos, (t) => t[0] <= tick)[2];
    }

    meterAt(tick: number): [number, number] {
        const [, beats, unit] = lastOf(this.meters, (m) => m[0] <= tick);
        return [beats, unit];
    }

    /** bar.beat.sixteenth from 1, and hundredths of a sixteenth where there are any, read off the bars of a table. */
    position(tick: number, lines: Lines): string {
        const bar = lines.barAt(tick);
        const offset = Math.max(0, tick) - bar.start;
        const [beat, unit] = [4 * this.ppq, this.meterAt(tick)[1]];
        const n = Math.floor((offset * unit) / beat);
        // Where a beat is no whole number of ticks it begins at the nearest.
        const within = Math.floor(offset - Math.floor((n * beat) / unit + 0.5));
        const hundredths = Math.floor((400 * within) / this.ppq);
        const rest = hundredths % 100;
        const behind = rest === 0 ? '' : `.${String(rest).padStart(2, '0')}`;
        return `${bar.index + 1}.${n + 1}.${Math.floor(hundredths / 100) + 1}${behind}`;
    }
}

/** The last of a list for which something holds that holds up to there; the first where it holds for none. */
function lastOf<T>(all: readonly T[], holds: (one: T) => boolean): T {
    let low = 0;
    let high = all.length - 1;
    while (low < high) {
        const mid = (low + high + 1) >> 1;
        if (holds(all[mid]!)) low = mid;
        else high = mid - 1;
    }
    return all[low]!;
}

export function clock(seconds: number): string {
    const m = Math.floor(seconds / 60);
    return `${m}:${(seconds - m * 60).toFixed(1).padStart(4, '0')}`;
}

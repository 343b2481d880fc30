import type { LinesData } from '../contract';

/** A bar: where it begins and ends, and where the grid's lines stand in it. */
export interface Bar {
    index: number;
    start: number;
    end: number;
    /** Offsets of the lines; a grid of several bars has none in most. */
    pattern: readonly number[];
    /** The same for bars whose lines are the same. */
    kind: number;
}

/**
 * The lines of a part's grid, as the server worked them out: runs of bars that are alike. They go on for ever, so that
 * nothing here grows with the length of the song.
 */
export class Lines {
    constructor(private readonly data: LinesData) {}

    /** The bar that holds a tick; ticks before 0 are of the first. */
    barAt(tick: number): Bar {
        const { runs } = this.data;
        const run = last(runs.length, (i) => runs[i]![0] <= tick);
        const [begin, , every, times, bars] = runs[run]!;
        const round = Math.max(0, Math.min(times - 1, Math.floor((tick - begin) / every)));
        const offset = tick - begin - round * every;
        return this.bar(run, round, last(bars.length, (i) => bars[i]![0] <= offset)); // prettier-ignore
    }

    /** The bar of an index from 0. */
    barNumber(index: number): Bar {
        const { runs } = this.data;
        const run = last(runs.length, (i) => runs[i]![1] <= index);
        const [, first, , times, bars] = runs[run]!;
        const at = Math.max(0, index - first);
        const round = Math.min(times - 1, Math.floor(at / bars.length));
        return this.bar(run, round, Math.min(bars.length - 1, at - round * bars.length));
    }

    /** The first bar line after a tick. */
    after(tick: number): number {
        return tick < 0 ? 0 : this.barAt(tick).end;
    }

    /** The grid's lines around a tick: the last at or before it, and the first after it. */
    around(tick: number): [number, number] {
        const bar = this.barAt(tick);
        const offset = tick - bar.start;
        const { pattern } = bar;
        const count =
            pattern.length > 0 && pattern[0]! <= offset ? last(pattern.length, (i) => pattern[i]! <= offset) + 1 : 0;
        const before = count > 0 ? bar.start + pattern[count - 1]! : this.beside(bar.index, -1, 0);
        return [before, count < pattern.length ? bar.start + pattern[count]! : this.beside(bar.index, 1, before)];
    }

    /** The line nearest to a tick, the later one on a tie. */
    nearest(tick: number): number {
        const [before, after] = this.around(tick);
        return after > before && after - tick <= tick - before ? after : before;
    }

    private bar(run: number, round: number, i: number): Bar {
        const [begin, first, every, , bars] = this.data.runs[run]!;
        const [offset, kind] = bars[i]!;
        const from = begin + round * every;
        return {
            index: first + round * bars.length + i,
            start: from + offset,
            end: from + (bars[i + 1]?.[0] ?? every),
            pattern: this.data.patterns[kind]!,
            kind,
        };
    }

    /** The last line before a bar, or the first after it. */
    private beside(index: number, way: 1 | -1, none: number): number {
        for (let b = index + way; b >= 0 && b <= index + MOST_BARS; b += way) {
            const { start, pattern } = this.barNumber(b);
            if (pattern.length > 0) return start + (way > 0 ? pattern[0]! : pattern.at(-1)!);
        }
        return none;
    }
}

/** The most bars of a cell. */
const MOST_BARS = 16;

/** The last index for which something holds that holds up to there; 0 where it holds for none. */
function last(count: number, holds: (i: number) => boolean): number {
    let low = 0;
    let high = count - 1;
    while (low < high) {
        const mid = (low + high + 1) >> 1;
        if (holds(mid)) low = mid;
        else high = mid - 1;
    }
    return low;
}

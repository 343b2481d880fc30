import type { Lines, SongData } from './types';

/** Reads in the tables that the server worked out: ticks and seconds, bars and lines. */
export class Time {
    constructor(
        readonly ppq: number,
        readonly tempos: SongData['tempos'],
        readonly meters: SongData['meters'],
        readonly markers: SongData['markers'] = [],
    ) {}

    /** Start of the bar that holds a tick. */
    barStart(lines: Lines, tick: number): number {
        return lines.bars[barAt(lines, tick)] ?? 0;
    }

    seconds(tick: number): number {
        let i = this.tempos.length - 1;
        while (i > 0 && this.tempos[i]![0] > tick) i--;
        const [at, seconds, tempo] = this.tempos[i]!;
        return seconds + ((tick - at) * tempo) / (this.ppq * 1e6);
    }

    tick(seconds: number): number {
        let i = this.tempos.length - 1;
        while (i > 0 && this.tempos[i]![1] > seconds) i--;
        const [at, from, tempo] = this.tempos[i]!;
        return at + ((seconds - from) * this.ppq * 1e6) / tempo;
    }

    tempoAt(tick: number): number {
        let i = this.tempos.length - 1;
        while (i > 0 && this.tempos[i]![0] > tick) i--;
        return 6e7 / this.tempos[i]![2];
    }

    meterAt(tick: number): [number, number] {
        let i = this.meters.length - 1;
        while (i > 0 && this.meters[i]![0] > tick) i--;
        return [this.meters[i]![1], this.meters[i]![2]];
    }

    /** bar.beat.tick from 1, read off the bars of a table. */
    position(tick: number, lines: Lines): string {
        const bar = barAt(lines, tick);
        const offset = Math.max(0, tick) - lines.bars[bar]!;
        const [beats, unit] = this.meterAt(tick);
        const beat = (4 * this.ppq) / unit;
        const n = Math.floor(offset / beat);
        // Past the last bar that is known, bars go on as it does.
        const more = bar === lines.bars.length - 1 ? Math.floor(n / beats) : 0;
        return `${bar + more + 1}.${n - more * beats + 1}.${Math.floor(offset - n * beat) + 1}`;
    }
}

/** Index of the bar that holds a tick. */
export function barAt(lines: Lines, tick: number): number {
    let low = 0;
    let high = lines.bars.length - 1;
    while (low < high) {
        const mid = (low + high + 1) >> 1;
        if (lines.bars[mid]! <= tick) low = mid;
        else high = mid - 1;
    }
    return low;
}

/** The grid's lines around a tick: the last at or before it, and the first after it. */
export function linesAround(lines: Lines, tick: number): [number, number] {
    const bar = barAt(lines, tick);
    const pattern = lines.patterns[lines.of[bar]!]!;
    const offset = tick - lines.bars[bar]!;
    // How many lines of the bar stand at or before the tick.
    let low = 0;
    let high = pattern.length;
    while (low < high) {
        const mid = (low + high) >> 1;
        if (pattern[mid]! <= offset) low = mid + 1;
        else high = mid;
    }
    const before = low > 0 ? lines.bars[bar]! + pattern[low - 1]! : lineBeside(lines, bar, -1);
    return [before, low < pattern.length ? lines.bars[bar]! + pattern[low]! : lineBeside(lines, bar, 1, before)];
}

/** The last line before a bar, or the first after it; in a grid of several bars most bars have none. */
function lineBeside(lines: Lines, bar: number, way: 1 | -1, none = 0): number {
    for (let b = bar + way; b >= 0 && b < lines.bars.length; b += way) {
        const pattern = lines.patterns[lines.of[b]!]!;
        if (pattern.length > 0) return lines.bars[b]! + (way > 0 ? pattern[0]! : pattern.at(-1)!);
    }
    return none;
}

/** The line nearest to a tick, the later one on a tie. */
export function nearestLine(lines: Lines, tick: number): number {
    const [before, after] = linesAround(lines, tick);
    return after > before && after - tick <= tick - before ? after : before;
}

export function clock(seconds: number): string {
    const m = Math.floor(seconds / 60);
    return `${m}:${(seconds - m * 60).toFixed(1).padStart(4, '0')}`;
}

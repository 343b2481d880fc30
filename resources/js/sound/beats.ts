import type { Song } from '../api/song.svelte';
import { barAt } from '../api/time';

/** The beats of the metronome between two ticks: each with whether it begins a bar. */
export function beatsBetween(
    song: Song,
    first: number,
    last: number,
    visit: (tick: number, bar: boolean) => void,
): void {
    const { time, parts } = song;
    const lines = parts.values().next().value?.lines;
    if (!lines) return;
    let end = 0;
    for (let bar = barAt(lines, Math.max(0, first)); ; bar++) {
        // A take may go on past the bars that are known.
        const start = lines.bars[bar] ?? end;
        if (start >= last) return;
        const [beats, unit] = time.meterAt(start);
        const beat = (4 * time.ppq) / unit;
        end = lines.bars[bar + 1] ?? start + beats * beat;
        for (let tick = start; tick < Math.min(end, last) - 1e-6; tick += beat)
            if (tick >= first - 1e-6) visit(tick, tick === start);
    }
}

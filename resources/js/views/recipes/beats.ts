/** Ticks as beats, with as many decimals as give the same ticks back. */
export const beatsOf = (ticks: number, ppq: number): string =>
    String(Number((ticks / ppq).toFixed(Math.ceil(Math.log10(2 * ppq)))));

/** The ticks of a number of beats that was typed; null where it is none. */
export function ticksOf(text: string, ppq: number): number | null {
    const beats = Number(text.trim().replace(',', '.'));
    return text.trim() !== '' && Number.isFinite(beats) ? Math.round(beats * ppq) : null;
}

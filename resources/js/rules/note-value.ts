/** Lengths in words, as the core's `NoteValue` says them: a note value where it is one, else quarters with two decimals. */

const KINDS = [['', 1, 1], ['T', 2, 3], ['D', 3, 2]] as const; // prettier-ignore
const VALUES = [1, 2, 4, 8, 16, 32, 64, 128];

/** "1/16", "1/8T", "1/4D", or "0.30 beats". */
export function lengthWords(ticks: number, ppq: number): string {
    for (const [kind, n, d] of KINDS)
        for (const value of VALUES) if (ticks * value * d === 4 * ppq * n) return `1/${value}${kind}`;
    if (ticks > 0 && ticks * 200 < ppq) return 'under 0.01 beats';
    const beats = (Math.floor((200 * ticks + ppq) / (2 * ppq)) / 100).toFixed(2);
    return `${beats} ${beats === '1.00' ? 'beat' : 'beats'}`;
}

/** A distance with its sign: "+1/8", "−0.46 beats". */
export function distanceWords(ticks: number, ppq: number): string {
    return `${ticks < 0 ? '−' : '+'}${lengthWords(Math.abs(ticks), ppq)}`;
}

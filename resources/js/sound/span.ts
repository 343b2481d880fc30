/** The song's span, and whether it is looped. */
export interface Loop {
    from: number;
    to: number;
    on: boolean;
}

function keyOf(song: number): string {
    return `jactonic.span.${song}`;
}

/** The span as it was left in this browser. */
export function keptSpan(song: number): Loop | null {
    try {
        const kept = JSON.parse(localStorage.getItem(keyOf(song)) ?? 'null') as Loop | null;
        return kept && kept.to > kept.from && kept.from >= 0 ? { from: kept.from, to: kept.to, on: kept.on } : null;
    } catch {
        return null;
    }
}

export function keepSpan(song: number, loop: Loop | null): void {
    if (loop) localStorage.setItem(keyOf(song), JSON.stringify(loop));
    else localStorage.removeItem(keyOf(song));
}

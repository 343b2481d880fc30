const KEPT = 'jactonic.recording';

/** How takes are recorded: kept in this browser. */
export interface RecordSettings {
    /** Bars counted before a take: 0, 1 or 2. */
    countIn: number;
    /** Whether the metronome is heard while recording, whatever its own switch says. */
    click: boolean;
    mode: 'overdub' | 'replace';
    timing: 'raw' | 'quantized';
    /** Only within the span. */
    punch: boolean;
    into: 'part' | 'new';
}

const FRESH: RecordSettings = {
    countIn: 1,
    click: true,
    mode: 'overdub',
    timing: 'raw',
    punch: false,
    into: 'part',
};

export function keptSettings(): RecordSettings {
    return { ...FRESH, ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<RecordSettings>) };
}

export function keepSettings(settings: RecordSettings): void {
    localStorage.setItem(KEPT, JSON.stringify(settings));
}

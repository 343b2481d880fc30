import type { PickData } from '../../api/types';

/** One line of a condition, as the builder edits it. */
export interface Line {
    not: boolean;
    what: string;
    value: unknown;
}

/** How lines are joined, and the lines. */
export interface Condition {
    joined: 'and' | 'or';
    lines: Line[];
}

/** What notes can be asked about: the words, how it is answered, and what holds at first. */
export const ASKS: Record<
    string,
    {
        words: string;
        kind: 'range' | 'choice' | 'number' | 'yes' | 'every' | 'span';
        first: unknown;
        choices?: [string, unknown][];
    }
> = {
    velocity: { words: 'velocity', kind: 'range', first: { max: 59 } },
    pitch: { words: 'pitch (60 is C4)', kind: 'range', first: { min: 60 } },
    pitchClass: { words: 'tone (0 is C)', kind: 'range', first: 0 },
    length: { words: 'length in ticks', kind: 'range', first: { max: 239 } },
    start: { words: 'start in ticks', kind: 'range', first: { min: 0 } },
    inChord: {
        words: 'place in its chord',
        kind: 'choice',
        first: 'top',
        choices: [
            ['the top', 'top'],
            ['the bottom', 'bottom'],
            ['second from below', 2],
            ['third from below', 3],
            ['fourth from below', 4],
        ],
    },
    articulation: { words: 'articulation, by its number', kind: 'number', first: 2 },
    onBeat: { words: 'on the beat', kind: 'yes', first: true },
    muted: { words: 'muted', kind: 'yes', first: true },
    overlapping: { words: 'overlapping', kind: 'yes', first: true },
    offGrid: { words: 'off the grid by ticks, at least', kind: 'number', first: 20 },
    every: { words: 'every so many', kind: 'every', first: { nth: 2, from: 1 } },
    span: { words: 'starting between ticks', kind: 'span', first: { from: 0, to: 3840 } },
};

/** The lines of a pick that the builder can show; null for one that is nested deeper. */
export function conditionOf(pick: PickData | null): Condition | null {
    if (!pick) return { joined: 'and', lines: [] };
    const flat = (p: PickData): Line | null => {
        const entries = Object.entries(p);
        if (entries.length !== 1) return null;
        const [what, value] = entries[0]!;
        if (what === 'not') {
            const inner = flat(value as PickData);
            return inner && !inner.not ? { ...inner, not: true } : null;
        }
        return what in ASKS ? { not: false, what, value } : null;
    };
    const list = Array.isArray(pick.or) && Object.keys(pick).length === 1 ? (pick.or as PickData[]) : null;
    const parts =
        list ??
        (Array.isArray(pick.and) && Object.keys(pick).length === 1
            ? (pick.and as PickData[])
            : Object.entries(pick).map(([k, v]) => ({ [k]: v })));
    const lines = parts.map(flat);
    return lines.every((l) => l !== null) ? { joined: list ? 'or' : 'and', lines: lines as Line[] } : null;
}

/** The pick of a condition. `every` counts what the other conditions leave, so it stands beside them. */
export function pickOf({ joined, lines }: Condition): PickData | null {
    if (lines.length === 0) return null;
    const picks = lines.map((l): PickData => (l.not ? { not: { [l.what]: l.value } } : { [l.what]: l.value }));
    if (joined === 'or') return { or: picks };
    const names = lines.map((l) => (l.not ? 'not' : l.what));
    return new Set(names).size === names.length ? Object.assign({}, ...picks) : { and: picks };
}

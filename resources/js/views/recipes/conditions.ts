import type { ConditionSpec, NoteFilter } from '../../contract';

/** One line of a condition, as the builder edits it. */
export interface Line {
    not: boolean;
    what: string;
    value: unknown;
}

/** What notes can be asked about, by its key. */
export type Asks = Record<string, ConditionSpec>;

/** How lines are joined, and the lines. */
export interface Condition {
    joined: 'and' | 'or';
    lines: Line[];
}

/** Whether the field of a condition can show a value. */
const canShow = (ask: ConditionSpec, value: unknown): boolean =>
    ask.field === 'yes'
        ? typeof value === 'boolean'
        : (ask.field !== 'number' && ask.field !== 'beat') || typeof value === 'number';

/** The lines of a pick that the builder can show; null for one that is nested deeper. */
export function conditionOf(asks: Asks, pick: NoteFilter | null): Condition | null {
    if (!pick) return { joined: 'and', lines: [] };
    const flat = (p: NoteFilter): Line | null => {
        const entries = Object.entries(p);
        if (entries.length !== 1) return null;
        const [what, value] = entries[0]!;
        if (what === 'not') {
            const inner = flat(value as NoteFilter);
            return inner && !inner.not ? { ...inner, not: true } : null;
        }
        return asks[what] && canShow(asks[what], value) ? { not: false, what, value } : null;
    };
    const list = Array.isArray(pick.or) && Object.keys(pick).length === 1 ? (pick.or as NoteFilter[]) : null;
    const parts =
        list ??
        (Array.isArray(pick.and) && Object.keys(pick).length === 1
            ? (pick.and as NoteFilter[])
            : Object.entries(pick).map(([k, v]) => ({ [k]: v })));
    const lines = parts.map(flat);
    return lines.every((l) => l !== null) ? { joined: list ? 'or' : 'and', lines: lines as Line[] } : null;
}

/** The pick of a condition. `every` counts what the other conditions leave, so it stands beside them. */
export function pickOf({ joined, lines }: Condition): NoteFilter | null {
    if (lines.length === 0) return null;
    const picks = lines.map((l): NoteFilter => (l.not ? { not: { [l.what]: l.value } } : { [l.what]: l.value }));
    if (joined === 'or') return { or: picks };
    const names = lines.map((l) => (l.not ? 'not' : l.what));
    return new Set(names).size === names.length ? Object.assign({}, ...picks) : { and: picks };
}

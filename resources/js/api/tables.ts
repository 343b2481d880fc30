import { spread, type Ids } from './ids';

/** How notes and points come from the server; a test compares these with the core's own tables. */

/** `until` is the tick up to which it sounds, 0 where it does not. A new column is a word here. */
export const NOTE_COLUMNS = [
    'id',
    'start',
    'length',
    'pitch',
    'velocity',
    'muted',
    'group',
    'channel',
    'driftStart',
    'driftLength',
    'carryVelocity',
    'articulation',
    'own',
    'until',
] as const;

/** `heard` is 1 where it is heard. */
export const POINT_COLUMNS = ['id', 'tick', 'status', 'data1', 'data2', 'heard'] as const;

export type Row = number[];
/** Numbers, but for the curves of its own, which are a text. */
export type Note = Record<Exclude<(typeof NOTE_COLUMNS)[number], 'own'>, number> & { own: string };
export type Point = Record<(typeof POINT_COLUMNS)[number], number>;

export function noteOf(row: Row): Note {
    const note: Record<string, number> = {};
    for (let i = 0; i < NOTE_COLUMNS.length; i++) note[NOTE_COLUMNS[i]!] = row[i]!;
    return note as unknown as Note;
}

export function rowOf(note: Note): Row {
    return NOTE_COLUMNS.map((name) => note[name] as number);
}

export function pointOf(row: Row): Point {
    const point = {} as Point;
    for (let i = 0; i < POINT_COLUMNS.length; i++) point[POINT_COLUMNS[i]!] = row[i]!;
    return point;
}

export function rowOfPoint(point: Point): Row {
    return POINT_COLUMNS.map((name) => point[name]);
}

/** A note, and a point, with nothing said of it. */
const NOTE: Note = { ...noteOf(NOTE_COLUMNS.map(() => 0)), own: '' };
const POINT: Point = pointOf(POINT_COLUMNS.map(() => 0));

/** A note that is not in the part, to be sounded or drawn. */
export function provisional(note: Partial<Note>): Note {
    return { ...NOTE, ...note };
}

/** Lists by the names of columns, the ids among them. */
export interface Columns {
    id: Ids;
    [column: string]: (number | string)[] | Ids;
}

/** Those that are otherwise of some that stay; a number is what each has more in a column. */
export interface Changed {
    id: Ids;
    [column: string]: (number | string)[] | Ids | number;
}

/** Notes out of rows, or out of columns: one that is left out is nought throughout, and each note then sounds to its end. */
export function notesOf(data: Row[] | Columns): Note[] {
    if (Array.isArray(data)) return data.map(noteOf);
    const notes = ofColumns(NOTE_COLUMNS, NOTE, data);
    if (!data.until) for (const note of notes) note.until = note.start + note.length;
    return notes;
}

/** Points likewise; where it is not said, each is heard. */
export function pointsOf(data: Row[] | Columns): Point[] {
    if (Array.isArray(data)) return data.map(pointOf);
    const points = ofColumns(POINT_COLUMNS, POINT, data);
    if (!data.heard) for (const point of points) point.heard = 1;
    return points;
}

/** Copies of one thing in which only the columns that were said are set: there may be tens of thousands. */
function ofColumns<T extends object>(names: readonly string[], plain: T, data: Columns): T[] {
    const columns: Record<string, (number | string)[]> = { ...(data as Record<string, number[]>), id: spread(data.id) };
    const said = names.filter((name) => columns[name]);
    const lists = said.map((name) => columns[name]!);
    return columns.id!.map((_, i) => {
        const thing = { ...plain } as Record<string, number | string>;
        for (let k = 0; k < said.length; k++) thing[said[k]!] = lists[k]![i]!;
        return thing as T;
    });
}

/** What says how long a note sounds. */
const SOUNDS = ['start', 'length', 'muted'];

/** What is otherwise in many things, by columns: each gives way to another, so that whoever holds one has it as it was. */
export function otherwise<T extends object>(things: Map<number, T>, { id, ...columns }: Changed): void {
    const ids = spread(id);
    const lists = Object.entries(columns);
    // Where it is not said, each sounds to its end, and each point is heard.
    const ends = !columns.until && SOUNDS.some((name) => columns[name]);
    const heard = !columns.heard && columns.tick !== undefined;
    for (let i = 0; i < ids.length; i++) {
        const was = things.get(ids[i]!);
        if (!was) continue;
        const thing = { ...was } as Record<string, unknown>;
        for (const [name, values] of lists)
            thing[name] = typeof values === 'number' ? (thing[name] as number) + values : values[i];
        if (ends) thing.until = (thing.start as number) + (thing.length as number);
        if (heard) thing.heard = 1;
        things.set(ids[i]!, thing as T);
    }
}

import {
    NOTE_COLUMNS,
    POINT_COLUMNS,
    type ChangedNotes,
    type ChangedPoints,
    type NoteColumns,
    type NoteRow,
    type PointColumns,
    type PointRow,
} from '../contract';
import { spread } from './ids';

/** How notes and points come from the server; a test compares these with the core's own tables. */

export { NOTE_COLUMNS, POINT_COLUMNS };

type Cells<T> = { [K in Exclude<keyof T, 'id'>]-?: Required<T>[K] extends (infer V)[] ? V : never } & { id: number };

/** Numbers, but for the curves of its own, which are a text. */
export type Note = Cells<NoteColumns>;
export type Point = Cells<PointColumns>;
export type Row = NoteRow | PointRow;

export function noteOf(row: NoteRow): Note {
    const note: Record<string, number | string> = {};
    for (let i = 0; i < NOTE_COLUMNS.length; i++) note[NOTE_COLUMNS[i]!] = row[i]!;
    return note as unknown as Note;
}

export function rowOf(note: Note): NoteRow {
    return NOTE_COLUMNS.map((name) => note[name]) as NoteRow;
}

export function pointOf(row: PointRow): Point {
    const point = {} as Point;
    for (let i = 0; i < POINT_COLUMNS.length; i++) point[POINT_COLUMNS[i]!] = row[i]!;
    return point;
}

export function rowOfPoint(point: Point): PointRow {
    return POINT_COLUMNS.map((name) => point[name]) as PointRow;
}

/** A note, and a point, with nothing said of it. */
const NOTE: Note = { ...noteOf(NOTE_COLUMNS.map(() => 0) as unknown as NoteRow), own: '' };
const POINT: Point = pointOf(POINT_COLUMNS.map(() => 0) as PointRow);

/** A note that is not in the part, to be sounded or drawn. */
export function provisional(note: Partial<Note>): Note {
    return { ...NOTE, ...note };
}

/** Notes out of rows, or out of columns: one that is left out is nought throughout, and each note then sounds to its end. */
export function notesOf(data: NoteRow[] | NoteColumns): Note[] {
    if (Array.isArray(data)) return data.map(noteOf);
    const notes = ofColumns(NOTE_COLUMNS, NOTE, data);
    if (!data.until) for (const note of notes) note.until = note.start + note.length;
    return notes;
}

/** Points likewise; where it is not said, each is heard. */
export function pointsOf(data: PointRow[] | PointColumns): Point[] {
    if (Array.isArray(data)) return data.map(pointOf);
    const points = ofColumns(POINT_COLUMNS, POINT, data);
    if (!data.heard) for (const point of points) point.heard = 1;
    return points;
}

/** Copies of one thing in which only the columns that were said are set: there may be tens of thousands. */
function ofColumns<T extends object>(names: readonly string[], plain: T, data: NoteColumns | PointColumns): T[] {
    const columns: Record<string, (number | string)[]> = {
        ...(data as unknown as Record<string, number[]>),
        id: spread(data.id),
    };
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
export function otherwise<T extends object>(
    things: Map<number, T>,
    { id, ...columns }: ChangedNotes | ChangedPoints,
): void {
    const ids = spread(id);
    const lists = Object.entries(columns);
    // Where it is not said, each sounds to its end, and each point is heard.
    const named = columns as Record<string, unknown>;
    const ends = !named.until && SOUNDS.some((name) => named[name]);
    const heard = !named.heard && named.tick !== undefined;
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

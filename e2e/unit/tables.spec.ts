import { expect, test } from '@playwright/test';
import { runs, spread } from '../../resources/js/api/ids';
import type { NoteRow } from '../../resources/js/contract';
import { NOTE_COLUMNS, notesOf, otherwise, pointsOf, type Note } from '../../resources/js/api/tables';

const row = [7, 480, 240, 60, 80, 0, 0, 9, 3, 0, 0, 0, '', 720] satisfies NoteRow as NoteRow;

test('notes by columns are those by rows: what is left out is nought, and each sounds to its end', () => {
    const columns = {
        id: [7],
        start: [480],
        length: [240],
        pitch: [60],
        velocity: [80],
        channel: [9],
        driftStart: [3],
    };
    const [byRow] = notesOf([row]);
    expect(row).toHaveLength(NOTE_COLUMNS.length);
    expect(notesOf(columns)).toEqual([byRow]);
    expect(Object.keys(notesOf(columns)[0]!)).toEqual(Object.keys(byRow!));
    expect(notesOf({ ...columns, until: [0] })[0]!.until).toBe(0);
    const many = { id: [1, [3, 5]] as [number, [number, number]], start: [0, 1, 2, 3], length: [9, 9, 9, 9] };
    expect(notesOf(many).map((n) => [n.id, n.until])).toEqual([[1, 9], [3, 10], [4, 11], [5, 12]]); // prettier-ignore
});

test('points by columns are heard where it is not said', () => {
    const columns = { id: [1, 2], tick: [0, 9], status: [0xb0, 0xb0], data1: [1, 1], data2: [5, 6] };
    expect(pointsOf(columns)).toEqual(
        pointsOf([
            [1, 0, 0xb0, 1, 5, 1],
            [2, 9, 0xb0, 1, 6, 1],
        ]),
    );
    expect(pointsOf({ ...columns, heard: [1, 0] }).map((p) => p.heard)).toEqual([1, 0]);
});

test('what is otherwise takes the place of what was, which stays as it was for who holds it', () => {
    const [held] = notesOf([row]);
    const notes = new Map<number, Note>([[7, held!]]);
    otherwise(notes, { id: [7, 8], pitch: [61, 62], until: [700, 1] });
    expect(notes.get(7)).toEqual({ ...held, pitch: 61, until: 700 });
    expect(held!.pitch).toBe(60);
    expect(notes.has(8)).toBe(false);
    // Where it is not said, each sounds to its end; a column that has nothing to do with that leaves it.
    otherwise(notes, { id: [7], velocity: [3] });
    expect(notes.get(7)!.until).toBe(700);
    otherwise(notes, { id: [7], start: [500] });
    expect(notes.get(7)!.until).toBe(740);
    const points = new Map(pointsOf([[1, 0, 0xb0, 1, 5, 0]]).map((p) => [p.id, p]));
    otherwise(points, { id: [1], data2: [6] });
    expect(points.get(1)).toMatchObject({ data2: 6, heard: 0 });
    otherwise(points, { id: [1], tick: [9] });
    expect(points.get(1)).toMatchObject({ tick: 9, heard: 1 });
});

test('ids that follow one another are a pair', () => {
    for (const ids of [[], [4], [4, 5], [1, 2, 3], [1, 3, 4, 5, 9, 10, 12, 13, 14], [5, 4, 3, 4, 5, 6]])
        expect(spread(runs(ids))).toEqual(ids);
    expect(runs(new Set([1, 3, 4, 5, 9]))).toEqual([1, [3, 5], 9]);
    const notes = new Map(notesOf([row, row.with(0, 8) as NoteRow, row.with(0, 9) as NoteRow]).map((n) => [n.id, n]));
    otherwise(notes, { id: [[7, 9]], pitch: [1, 2, 3] });
    otherwise(notes, { id: [7, [8, 9]], start: -80 });
    expect([...notes.values()].map((n) => [n.start, n.until])).toEqual([
        [400, 640],
        [400, 640],
        [400, 640],
    ]);
    expect([...notes.values()].map((n) => n.pitch)).toEqual([1, 2, 3]);
});

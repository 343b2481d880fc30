import { expect, test } from '@playwright/test';
import { Landing } from '../../resources/js/api/landing';
import { noteOf, rowOf } from '../../resources/js/api/tables';
import type { LandingAnswer, NoteRow } from '../../resources/js/api/types';

const ROW: NoteRow = [3, 480, 240, 60, 90, 1, 2, 9, -12, 4, 0, 0, '', 720];

test('a row of the server is a note, and the note the row again', () => {
    expect(noteOf(ROW)).toMatchObject({ id: 3, start: 480, muted: 1, driftStart: -12, group: 2, channel: 9 });
    expect(rowOf(noteOf(ROW))).toEqual(ROW);
});

test('of what would happen only the open part is shown', () => {
    const answer = {
        parts: { 5: { put: [ROW], drop: [8] }, 6: { put: [[1, 0, 1, 1, 1, 0, 0, 0, 0, 0, 1]], drop: [] } },
        selection: null,
        said: ['One.', 'Two.'],
        warnings: ['Mind.'],
        canUndo: true,
        canRedo: false,
        marks: { merging: { 5: [3] }, far: { 6: [1] } },
    } as unknown as LandingAnswer;
    const landing = Landing.of(answer, { id: 5 } as never);
    expect(landing.notes.map((n) => n.id)).toEqual([3]);
    expect([...landing.dropped]).toEqual([8]);
    expect([...landing.merging]).toEqual([3]);
    expect(landing.far.size).toBe(0);
    expect(landing.said).toBe('One. Two.');
    expect(landing.warnings).toEqual(['Mind.']);
});

test('a part that nothing would happen to has no outlines, and a refusal says why', () => {
    const nothing = { parts: {}, said: ['Nothing.'], warnings: [], marks: { merging: {}, far: {} } } as never;
    expect(Landing.of(nothing, { id: 5 } as never).notes).toEqual([]);
    const refused = Landing.refused('C9 cannot go up.');
    expect([refused.trouble, refused.notes.length, refused.said]).toEqual(['C9 cannot go up.', 0, '']);
});

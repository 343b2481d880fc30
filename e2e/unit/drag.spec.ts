import { expect, test } from '@playwright/test';
import { Lines } from '../../resources/js/rules/lines';
import type { Part } from '../../resources/js/api/part.svelte';
import { provisional, type Note } from '../../resources/js/api/tables';
import type { Command } from '../../resources/js/api/types';
import { NoteDrag, noteAt, signed, type Grip } from '../../resources/js/roll/gestures/drag';
import { View } from '../../resources/js/stage/view';

function note(id: number, start: number, length: number, pitch: number): Note {
    return provisional({ id, start, length, pitch, velocity: 80, until: start + length });
}

const NOTES = [note(1, 960, 480, 60), note(2, 1930, 480, 64)];

const part = {
    lines: new Lines({
        runs: [[0, 0, 3840, 2 ** 30, [[0, 0]]]],
        patterns: [[0, 480, 960, 1440, 1920, 2400, 2880, 3360]],
    }),
    between: (from: number, to: number, visit: (n: Note) => void) =>
        NOTES.filter((n) => n.start < to && n.start + n.length > from).forEach(visit),
} as unknown as Part;

/** A tenth of a pixel to the tick, rows of ten pixels, C5 at the top. */
function view(): View {
    const made = new View(960, () => {});
    made.end = 100_000;
    made.resize(1000, 400);
    Object.assign(made, { left: 0, scale: 0.1, top: 72, row: 10 });
    return made;
}

/** What the server would be asked after a drag from one place to another. */
function dragged(
    grip: Grip,
    dx: number,
    dy: number,
    held = { shift: false, alt: false },
    notes = NOTES,
    of = part,
): Command[] {
    const drag = new NoteDrag(of, notes, notes[0]!, grip, 100, 100);
    // The first movement past a few pixels says which way it goes.
    drag.move(
        view(),
        100 + Math.sign(dx) * (Math.abs(dx) >= Math.abs(dy) ? 6 : 0),
        100 + Math.sign(dy) * (Math.abs(dy) > Math.abs(dx) ? 6 : 0),
        held,
    );
    drag.move(view(), 100 + dx, 100 + dy, held);
    return drag.commands();
}

const ticks = (steps: number): object => ({ steps: Math.sign(steps), by: { unit: 'ticks', amount: Math.abs(steps) } });

test('a drag holds to the axis on which it began', () => {
    expect(dragged('move', 100, 35)).toEqual([{ edit: 'nudge', params: ticks(960) }]);
    expect(dragged('move', 30, -50)).toEqual([{ edit: 'transpose', params: { semitones: 5 } }]);
    expect(dragged('move', 100, -50, { shift: true, alt: false })).toEqual([
        { edit: 'nudge', params: ticks(960) },
        { edit: 'transpose', params: { semitones: 5 } },
    ]);
});

test('with scale lock a drag goes by steps of the scale, as far as all notes stay on the keyboard', () => {
    const locked = { ...part, lockedScale: new Set([0, 2, 4, 5, 7, 9, 11]), scaleName: 'C major' } as unknown as Part;
    const none = { shift: false, alt: false };
    // Five rows up from C4 is F4: three steps.
    expect(dragged('move', 0, -50, none, NOTES, locked)).toEqual([{ edit: 'transpose', params: { steps: 3 } }]);
    // One row is no step yet, from C4 up; from C4 down it is one.
    expect(dragged('move', 0, -10, none, NOTES, locked)).toEqual([]);
    expect(dragged('move', 0, 10, none, NOTES, locked)).toEqual([{ edit: 'transpose', params: { steps: -1 } }]);
    expect(dragged('move', 0, -50, { shift: false, alt: true }, NOTES, locked)).toEqual([
        { edit: 'transpose', params: { semitones: 5 } },
    ]);
    const high = [note(1, 960, 480, 60), note(2, 960, 480, 125)];
    expect(dragged('move', 0, -120, none, high, locked)).toEqual([{ edit: 'transpose', params: { steps: 1 } }]);
});

test('the held note goes to a line of the grid, unless that is suspended', () => {
    expect(dragged('move', 53, 0)).toEqual([{ edit: 'nudge', params: ticks(480) }]);
    expect(dragged('move', 53, 0, { shift: false, alt: true })).toEqual([{ edit: 'nudge', params: ticks(530) }]);
    expect(dragged('move', 53, 0, { shift: false, alt: false }, [NOTES[1]!])).toEqual([
        { edit: 'nudge', params: ticks(470) },
    ]);
});

test('a group keeps its shape keep opens on the keyboard and in the song', () => {
    expect(dragged('move', -900, 0)).toEqual([{ edit: 'nudge', params: ticks(-960) }]);
    expect(dragged('move', 0, -9000)).toEqual([{ edit: 'transpose', params: { semitones: 63 } }]);
    expect(dragged('move', 0, 9000)).toEqual([{ edit: 'transpose', params: { semitones: -60 } }]);
});

test('edges resize, and with Mod sideways is length and upward velocity', () => {
    expect(dragged('end', 50, 3)).toEqual([{ edit: 'resize', params: ticks(480) }]);
    expect(dragged('start', 50, 3)).toEqual([{ edit: 'resize', params: { ...ticks(480), edge: 'start' } }]);
    expect(dragged('feel', 50, 3)).toEqual([{ edit: 'resize', params: ticks(480) }]);
    expect(dragged('feel', 3, -50)).toEqual([{ edit: 'velocity-add', params: { amount: 25 } }]);
});

test('a press that hardly moves is no drag', () => {
    expect(dragged('move', 2, 1)).toEqual([]);
    expect(dragged('move', 10, 0)).toEqual([]);
});

test('the note and the edge under the pointer are found', () => {
    const seen = view();
    const at = (tick: number, pitch: number): [number, Grip] | null => {
        const hit = noteAt(seen, part, new Set(), seen.x(tick), seen.y(pitch) + 5);
        return hit && [hit.note.id, hit.grip];
    };
    expect(at(1200, 60)).toEqual([1, 'move']);
    expect(at(1430, 60)).toEqual([1, 'end']);
    expect(at(970, 60)).toEqual([1, 'start']);
    expect(at(1200, 61)).toBeNull();
    expect(at(2000, 64)).toEqual([2, 'move']);
    expect(at(1700, 60)).toBeNull();
    // A few pixels behind a note its end is taken, where that is asked for.
    const behind = (px: number, outside?: number): string | undefined =>
        noteAt(seen, part, new Set(), seen.x(1440) + px, seen.y(60) + 5, outside)?.grip;
    expect([behind(3.5), behind(3.5, 4), behind(1, 4), behind(6, 4)]).toEqual([undefined, 'end', 'end', undefined]);
});

test('numbers carry their sign', () => {
    expect([signed(3), signed(0), signed(-3)]).toEqual(['+3', '0', '−3']);
});

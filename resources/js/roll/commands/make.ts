import type { Command, Note, On } from '../../api/types';
import type { Drawn } from '../layers/overlay';

/**
 * What gestures, fields and forms ask of the server: commands by their ids. Nowhere outside this folder stands the id
 * of an edit; what else a screen has to know of one is in its spec.
 */

const ticksOf = (by: number): Record<string, unknown> => ({
    steps: Math.sign(by),
    by: { unit: 'ticks', amount: Math.abs(by) },
});

export const moveBy = (ticks: number): Command => ({ edit: 'nudge', params: ticksOf(ticks) });
export const stepsBy = (steps: number): Command => ({ edit: 'transpose', params: { steps } });
export const transposeBy = (semitones: number): Command => ({ edit: 'transpose', params: { semitones } });
export const lengthenBy = (ticks: number): Command => ({ edit: 'resize', params: ticksOf(ticks) });
export const startBy = (ticks: number): Command => ({ edit: 'resize', params: { ...ticksOf(ticks), edge: 'start' } });
export const endAt = (tick: number): Command => ({ edit: 'end-at', params: { tick } });
export const louderBy = (amount: number): Command => ({ edit: 'velocity-add', params: { amount } });
export const moveTo = (tick: number | string): Command => ({ edit: 'move-to', params: { tick } });
export const remove = (on?: On | On[]): Command => ({ edit: 'delete', ...(on ? { on } : {}) });
export const cutSpan = (on: On[]): Command => ({
    edit: 'cut-span',
    on,
    params: { from: 'span-start', to: 'span-end' },
});
export const asPlayed = (on: On): Command => ({ edit: 'as-played', on });
export const longerByCell = (on: On, by: unknown): Command => ({ edit: 'resize', on, params: { steps: 1, by } });

/** Notes to come: those without a length or a velocity take the pen's. */
export function insert(
    part: number,
    notes: readonly Partial<Drawn & { velocity: number }>[] | readonly Partial<Note>[],
    more: Record<string, unknown> = {},
): Command {
    return { edit: 'insert', on: { part, notes: [] }, params: { notes, ...more } };
}

export const tempoSet = (tempo: number, where: { at: number } | { bar: number }): Command => ({
    edit: 'tempo-set',
    params: { tempo, ...where },
});
export const meterSet = (
    beats: number,
    unit: number | string,
    where: { at: number } | { bar: number },
    later: 'keep' | 'move' = 'keep',
): Command => ({
    edit: 'meter-set',
    params: { beats, unit: String(unit), ...where, ...(later === 'move' ? { later } : {}) },
});
export type Mark = 'tempo' | 'meter';
export const markMove = (what: Mark, at: number, bar: number): Command => ({
    edit: what === 'tempo' ? 'tempo-move' : 'meter-move',
    params: { at, bar },
});
export const markRemove = (what: Mark, at: number): Command => ({
    edit: what === 'tempo' ? 'tempo-remove' : 'meter-remove',
    params: { at },
});
export const tempoTap = (taps: readonly number[], at: number): Command => ({
    edit: 'tempo-tap',
    params: { taps, at },
    more: true,
});
/** Notes lined up with the starts in other parts; the same by rows, where only some are shown; and given a feel. */
export const alignTo = (parts: readonly number[], toward: string): Command => ({
    edit: 'align-to-parts',
    params: { parts, toward },
});
export const stepInRows = (steps: number, rows: readonly number[]): Command => ({
    edit: 'step-in-rows',
    params: { steps, rows },
});
export const feelOf = (groove: unknown, what: string): Command => ({
    edit: 'groove-quantize',
    params: { groove, strength: what === 'timing' ? 100 : 0, velocity: what === 'loudness' ? 100 : 0 },
});
/** Points of a lane, drawn, in a line, or away. */
export const drawLane = (part: number, lane: string, points: [number, number][]): Command => ({
    edit: 'lane-draw',
    on: { part, notes: [] },
    params: { lane, points },
});
export const lineInLane = (
    part: number,
    lane: string,
    from: number,
    to: number,
    low: number,
    high: number,
    curve = 0,
): Command => ({
    edit: 'lane-line',
    on: { part, notes: [] },
    params: { lane, from, to, low, high, curve },
});
export const clearLane = (part: number, lane: string, from: number, to: number): Command => ({
    edit: 'lane-clear',
    on: { part, notes: [] },
    params: { lane, from, to },
});
/** One point; with no value named, what the lane holds there. */
export const pointAt = (lane: string, at: 'caret' | 'pointer', value?: number): Command => ({
    edit: POINT,
    params: { lane, at, ...(value === undefined ? {} : { value }) },
});
export const pastePoints = (
    part: number,
    lane: string,
    of: string,
    points: [number, number][],
    at: number,
    anchor: number,
): Command => ({
    edit: 'lane-paste',
    on: { part, lane, points: [] },
    params: { lane, of, points, at, anchor },
});
/** What draws in a lane: one that is named, the one worked in, or this. */
export const UNNAMED_LANE = 'cc:11';
export const POINT = 'lane-point';
export const IN_LANES = ['lane-shape', 'lane-line', 'lane-clear', 'lane-copy', 'lane-thin'];
/** Curves that one note has of its own. */
export const drawOnNote = (lane: string, points: [number, number][], on: On): Command => ({
    edit: 'note-draw',
    on,
    params: { lane, points },
});
export const pointOnNote = (
    lane: string,
    on: On,
    point: { at: number; value?: number; to?: number; remove?: boolean },
): Command => ({ edit: 'note-point', on, params: { lane, ...point } });
export const clearOnNote = (lane: string, on: On): Command => ({ edit: 'note-clear', on, params: { lane } });
/** A track's set of articulations, and the command whose parameter is a number in it. */
export const articulationsOf = (track: number, set: unknown): Command => ({
    edit: 'track-articulations',
    on: [{ tracks: [track] }],
    params: { set },
});
export const ARTICULATES = 'articulate';
export const drawVelocities = (points: [number, number][]): Command => ({ edit: 'velocity-draw', params: { points } });
export const songScale = (scale: string | null): Command => ({ edit: 'song-scale', params: { scale } });
export const songRename = (name: string): Command => ({ edit: 'song-rename', params: { name } });

/** Commands that move the caret where nothing is selected, and those that make the span longer. */
export const CARET_MOVERS = ['nudge', 'snap-nudge', 'transpose'];
export const SPAN_MOVERS = ['resize'];
export const DELETES = 'delete';
/** Commands whose keys the nudge settings show. */
export const BY_NUDGE_STEP = ['nudge', 'resize', 'snap-nudge'];

/** The same command by rows, where only some are shown; null where it stays as it is. */
export function inRows(edit: string, params: Record<string, unknown>, rows: readonly number[] | null): Command | null {
    return rows && edit === 'transpose' && params.steps ? stepInRows(Number(params.steps), rows) : null;
}

/** Edits whose landing the picture of the playing shows. */
export const BY_PLAYING: { command: Command; title: string }[] = [
    { command: { edit: 'quantize' }, title: 'quantized' },
    {
        command: { edit: 'velocity-ramp', params: { from: 60, to: 100, mode: 'scale' } },
        title: 'louder to the end',
    },
    {
        command: { edit: 'velocity-ramp', params: { from: 100, to: 60, mode: 'scale' } },
        title: 'softer to the end',
    },
];

/** What buttons of the song page stand for. */
export const NEW_PART = 'part-new';
export const NEW_TRACK = 'track-new';

import type { Command } from '../../api/types';

/** What gestures and keys of the song page ask of the server: commands by their ids. Nowhere else on it stands one. */

const ticks = (by: number): Record<string, unknown> => ({
    steps: Math.sign(by),
    by: { unit: 'ticks', amount: Math.abs(by) },
});

export const moveParts = (by: number, tracks: number): Command => ({
    edit: 'part-move',
    params: { ...(by !== 0 ? ticks(by) : {}), ...(tracks !== 0 ? { tracks } : {}) },
});
export const resizeParts = (by: number, edge: 'start' | 'end'): Command => ({
    edit: 'part-resize',
    params: { ...ticks(by), edge },
});
export const newPart = (track: number, from: number, to: number): Command => ({
    edit: 'part-new',
    on: { tracks: [track] },
    params: { from, to },
});
export const deleteParts = (ids: readonly number[]): Command => ({ edit: 'part-delete', on: { parts: [...ids] } });
export const putIn = (clip: unknown, more: Record<string, unknown>): Command => ({
    edit: 'part-insert',
    params: { clip, ...more },
});
export const level = (track: number, params: Record<string, number>): Command => ({
    edit: 'track-level',
    on: { tracks: [track] },
    params,
});
export const soundOf = (track: number, program: number, drums: boolean): Command => ({
    edit: 'track-sound',
    on: { tracks: [track] },
    params: { program, drums },
});
export const newTrack = (program: number, drums: boolean): Command => ({
    edit: 'track-new',
    params: { program, drums },
});
export const orderTrack = (track: number, by: number): Command => ({
    edit: 'track-order',
    on: { tracks: [track] },
    params: { by },
});

export const renameTrack = (track: number, name: string): Command => ({
    edit: 'track-rename',
    on: { tracks: [track] },
    params: { name },
});

/** With no parts selected these move the caret in time, from track to track, and make the span. */
export const IN_TIME = ['part-move', 'part-snap'] as const;
export const BY_TRACK = 'part-plays';
export const SPAN = 'part-resize';

/** What moves parts in time by the nudge step, where it says no other. */
export const PARTS_BY_NUDGE_STEP = ['part-move', 'part-slide'];
